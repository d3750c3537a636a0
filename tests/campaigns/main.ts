/** Two hands against real processes, by hand and for as long as wanted: `npm run campaign -- 200 7` is 200 rounds of seed 7. */
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../chromium'
import { makeRig } from '../rig'
import { twoHands } from './two-hands'

const [rounds = '60', seed = String(Date.now() % 100_000)] = process.argv.slice(2)
const rig = await makeRig()
const browser = await chromium.launch(CHROMIUM)
try {
  await rig.startHost()
  await rig.startApp()
  const tally = await twoHands(browser, rig, { rounds: Number(rounds), seed: Number(seed), tell: console.log })
  console.log(`Seed ${seed}: not a word is missing.`, tally)
} finally {
  await browser.close()
  await rig.stop()
}
