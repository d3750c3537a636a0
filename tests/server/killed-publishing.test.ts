import { expect, test } from 'vitest'
import { KILLED_KINDS, killedPublishing } from '../campaigns/killed-publishing'

// The long run is `npm run campaign -- publishing 200`.
test.each(KILLED_KINDS)('publishing to a server by %s that is cut off by kill -9 on either side leaves the site whole', async (kind) => {
  const { rounds, seen, live } = await killedPublishing(kind, { rounds: 2, seed: 14 })
  expect(rounds).toBe(2)
  expect(live).toBeGreaterThan(2)
  expect(seen).toBeGreaterThan(48)
})
