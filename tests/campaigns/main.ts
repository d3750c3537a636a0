/**
 * Against real processes, by hand and for as long as wanted: `npm run campaign -- 200 7` has two hands go 200 rounds of seed 7;
 * `npm run campaign -- hostile 10000 7` sends as many values and files that mean no good.
 */
import { chromium } from '@playwright/test'
import { CHROMIUM } from '../chromium'
import { makeRig } from '../rig'
import { hostile } from './hostile'
import { twoHands } from './two-hands'

const [isHostile, ...given] = process.argv[2] === 'hostile' ? [true, ...process.argv.slice(3)] : [false, ...process.argv.slice(2)]
const [rounds = isHostile ? '1000' : '60', seed = String(Date.now() % 100_000)] = given as string[]
const rig = await makeRig()
const browser = await chromium.launch(CHROMIUM)
try {
  await rig.startHost()
  await rig.startApp()
  if (isHostile) console.log(`Seed ${seed}: it held.`, await hostile(rig, { rounds: Number(rounds), seed: Number(seed) }))
  else {
    const tally = await twoHands(browser, rig, { rounds: Number(rounds), seed: Number(seed), tell: console.log })
    console.log(`Seed ${seed}: not a word is missing.`, tally)
  }
} finally {
  await browser.close()
  await rig.stop()
}
