import { expect, test } from './test'
import { hostile } from '../campaigns/hostile'
import { kills } from '../campaigns/kills'
import { slowClients, slowVisitors } from '../campaigns/slow'
import { twoHands } from '../campaigns/two-hands'

// They share an application, whose start takes longer than most of them.
test.describe.configure({ mode: 'default' })

test('two browsers on one job, the line cut, tabs closed, the server killed with -9: nobody finds a word missing', async ({
  browser,
  ownRig,
}) => {
  const tally = await twoHands(browser, ownRig, { rounds: 5, seed: 1 })
  expect(tally.words).toBe(30)
  expect(tally['kill the server'] * tally['cut the line'] * tally['close the tab'] * tally['publish and kill']).toBeGreaterThan(0)
})

test('values and files that mean no good are answered in words, nobody waits for them, and what was accepted is published', async ({
  ownRig,
}) => {
  const tally = await hostile(ownRig, { rounds: 200, seed: 1 })
  expect(tally).toMatchObject({ asked: 200, published: 1 })
  expect(Math.min(tally.taken, tally.refused)).toBeGreaterThan(20)
})

test('clients that hold on and give nothing keep nobody from an edit', async ({ ownRig }) => {
  const tally = await slowClients(ownRig, { slow: 100, streaming: 50, edits: 30 })
  expect(tally).toMatchObject({ slow: 100, streaming: 50, edits: 30 })
})

test('visitors that hold on and take nothing keep nobody from a page of our host', async ({ ownRig }) => {
  const tally = await slowVisitors(ownRig, { slow: 100, taking: 50, pages: 30 })
  expect(tally).toMatchObject({ slow: 100, taking: 50, pages: 30 })
})

test('edits and publishing cut off by kill -9 lose nothing that was acknowledged, and visitors never see a torn site', async ({
  ownRig,
}) => {
  // It ends with a publication of its own, after which visitors see the newest edit.
  const { acknowledged, killed, seen } = await kills(ownRig, { rounds: 8, seed: 1 })
  expect(acknowledged).toBeGreaterThan(3)
  expect(killed).toEqual({ app: 2, host: 5, both: 1 })
  expect(seen).toBeGreaterThan(25)
})
