import { expect, test } from '@playwright/test'
import { twoHands } from '../campaigns/two-hands'
import { useOwnRig } from './own-rig'

const ownRig = useOwnRig()

test('two browsers on one job, the line cut, tabs closed, the server killed with -9: nobody finds a word missing', async ({ browser }) => {
  test.setTimeout(900_000)
  const tally = await twoHands(browser, ownRig(), { rounds: 5, seed: 1 })
  expect(tally.words).toBe(30)
  expect(tally['kill the server'] * tally['cut the line'] * tally['close the tab'] * tally['publish and kill']).toBeGreaterThan(0)
})
