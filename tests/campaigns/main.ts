/**
 * Against real processes, by hand and for as long as wanted. `npm run campaign -- 200 7`: two hands go 200 rounds of seed 7. `npm run
 * campaign -- hostile 10000 7`: as many values and files that mean no good, and the memory held before and after. `npm run campaign --
 * kill 1000`: so many times the application, the web host or both are ended by `kill -9`. `npm run campaign -- slow 200`: so many
 * edits, and pages of our host, while 1,500 clients hold on. `npm run campaign -- publishing 200`: as often is publishing to each kind of
 * server cut off on either side.
 */
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../chromium'
import { makeRig, type Rig } from '../rig'
import { hostile } from './hostile'
import { KILLED_KINDS, killedPublishing } from './killed-publishing'
import { kills } from './kills'
import { slowClients, slowVisitors } from './slow'
import { twoHands } from './two-hands'

const CAMPAIGNS = new Map<string, (rig: Rig, rounds: number | undefined, seed: number) => Promise<void>>([
  [
    'hands',
    async (rig, rounds = 60, seed) => {
      const browser = await chromium.launch(CHROMIUM)
      try {
        console.log('Not a word is missing.', await twoHands(browser, rig, { rounds, seed, tell: console.log }))
      } finally {
        await browser.close()
      }
    },
  ],
  [
    'hostile',
    async (rig, rounds = 1000, seed) => {
      const go = async (of: number, from: number) => console.log('It held.', await hostile(rig, { rounds: of, seed: from }))
      // What is loaded once, and the caches that have an end, are there before the first figure is taken.
      await go(Math.ceil(rounds / 10), seed + 1)
      await slowClients(rig, { slow: 1000, streaming: 500, edits: 50 })
      const before = await atRest(rig)
      await go(rounds, seed)
      console.log('It answered.', await slowClients(rig, { slow: 1000, streaming: 500, edits: 200 }))
      console.log(`The application held ${before} MB before, and holds ${await atRest(rig)} MB after.`)
    },
  ],
  [
    'kill',
    async (rig, rounds = 100, seed) =>
      console.log('Nothing is lost, nothing is torn.', await kills(rig, { rounds, seed, tell: console.log })),
  ],
  [
    'publishing',
    async (_, rounds = 30, seed) => {
      for (const kind of KILLED_KINDS)
        console.log(`${kind}: no page was torn.`, await killedPublishing(kind, { rounds, seed, tell: console.log }))
    },
  ],
  [
    'slow',
    async (rig, edits = 200) => {
      console.log('It answered.', await slowClients(rig, { slow: 1000, streaming: 500, edits }))
      console.log('The host answered.', await slowVisitors(rig, { slow: 1000, taking: 500, pages: edits }))
    },
  ],
])

/** What the application holds once it has been left alone for a minute, in MB. */
async function atRest(rig: Rig): Promise<number> {
  await new Promise((resolve) => setTimeout(resolve, 60_000))
  return rig.megabytes()
}

const words = process.argv.slice(2)
const name = CAMPAIGNS.has(words[0] ?? '') ? (words.shift() ?? '') : 'hands'
const [rounds, seed = String(Date.now() % 100_000)] = words
const rig = await makeRig()
try {
  await rig.startHost()
  await rig.startApp()
  console.log(`Seed ${seed}`)
  await CAMPAIGNS.get(name)?.(rig, rounds === undefined ? undefined : Number(rounds), Number(seed))
} finally {
  await rig.stop()
}
