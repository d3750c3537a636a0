import { expect, test } from '@playwright/test'
import { hostile } from '../campaigns/hostile'
import { slowClients } from '../campaigns/slow'
import { twoHands } from '../campaigns/two-hands'
import { useOwnRig } from './own-rig'

const ownRig = useOwnRig()

test('two browsers on one job, the line cut, tabs closed, the server killed with -9: nobody finds a word missing', async ({ browser }) => {
  test.setTimeout(900_000)
  const tally = await twoHands(browser, ownRig(), { rounds: 5, seed: 1 })
  expect(tally.words).toBe(30)
  expect(tally['kill the server'] * tally['cut the line'] * tally['close the tab'] * tally['publish and kill']).toBeGreaterThan(0)
})

test('values and files that mean no good are answered in words, nobody waits for them, and what was accepted is published', async () => {
  test.setTimeout(900_000)
  const tally = await hostile(ownRig(), { rounds: 200, seed: 1 })
  expect(tally).toMatchObject({ asked: 200, published: 1 })
  expect(Math.min(tally.taken, tally.refused)).toBeGreaterThan(20)
})

test('clients that hold on and give nothing keep nobody from an edit', async () => {
  const tally = await slowClients(ownRig(), { slow: 100, streaming: 50, edits: 30 })
  expect(tally).toMatchObject({ slow: 100, streaming: 50, edits: 30 })
})
