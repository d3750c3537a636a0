/**
 * Against real processes, by hand and for as long as wanted. `npm run campaign -- 200 7`: two hands go 200 rounds of seed 7. `npm run
 * campaign -- hostile 10000 7`: as many values and files that mean no good. `npm run campaign -- slow 200`: so many edits while 1,500
 * clients hold on.
 */
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../chromium'
import { makeRig, type Rig } from '../rig'
import { hostile } from './hostile'
import { slowClients } from './slow'
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
  ['hostile', async (rig, rounds = 1000, seed) => console.log('It held.', await hostile(rig, { rounds, seed }))],
  ['slow', async (rig, edits = 200) => console.log('It answered.', await slowClients(rig, { slow: 1000, streaming: 500, edits }))],
])

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
