import { expect, type Browser, type BrowserContext, type Page } from '@playwright/test'
import { askHost, cell, makeJob, openContent, saved } from '../e2e/screen'
import { random } from '../random'
import type { Rig } from '../rig'
import type { SignedIn } from '../../scripts/enter'
import { askApp, browserState, joinDoor } from '../door'

export type CampaignOptions = { readonly rounds: number; readonly seed: number; readonly tell?: (words: string) => void }
/** How often each thing happened. */
export type CampaignTally = Record<Trouble | 'words' | 'undone', number>

const TROUBLES = ['kill the server', 'cut the line', 'close the tab', 'publish and kill', 'nothing'] as const
type Trouble = (typeof TROUBLES)[number]

/** One person at one browser: the tab in hand, and the words that ought to be found in each place of theirs. */
class Hand {
  readonly wanted = new Map<string, string>()
  private context: BrowserContext | null = null
  private tab: Page | null = null
  private line = true

  constructor(
    readonly name: string,
    private readonly browser: Browser,
    private readonly rig: Rig,
    private readonly job: string,
    private readonly as: SignedIn,
  ) {}

  get page(): Page {
    if (!this.tab) throw new Error(`${this.name} has no tab open`)
    return this.tab
  }

  async open(): Promise<void> {
    this.context ??= await this.browser.newContext({
      viewport: { width: 1280, height: 800 },
      storageState: browserState(this.as),
    })
    const before = this.tab
    this.tab = await this.context.newPage()
    await openContent(this.tab, this.job, this.rig.app)
    await before?.close()
  }

  async cut(): Promise<void> {
    this.line = false
    await this.context?.setOffline(true)
  }

  async mend(): Promise<void> {
    if (!this.line) await this.context?.setOffline(false)
    this.line = true
  }

  /** The browser's own end, as a crash would be: nothing is told to leave. */
  async crash(): Promise<void> {
    await this.tab?.close({ runBeforeUnload: false })
    this.tab = null
  }

  async type(place: string, words: string): Promise<void> {
    await cell(this.page, place).fill(words)
    await expect(cell(this.page, place)).toHaveValue(words)
    this.wanted.set(place, words)
  }

  async finds(wanted: ReadonlyMap<string, string>): Promise<void> {
    for (const [place, words] of wanted) await expect(cell(this.page, place), `${place}, seen by ${this.name}`).toHaveValue(words)
  }

  async close(): Promise<void> {
    await this.context?.close()
  }
}

/**
 * Two browsers edit one job at once, against real processes: the network is cut, tabs are closed, the application is
 * killed with -9, while it publishes too, and the words go on. At the end both see every word, and so does a fresh start.
 */
export async function twoHands(browser: Browser, rig: Rig, { rounds, seed, tell = () => {} }: CampaignOptions): Promise<CampaignTally> {
  const next = random(seed)
  const job = await makeJob({ name: `Campaign ${seed}` }, rig.app)
  const address = `campaign-${seed}`
  await send(rig, `/api/jobs/${job}/address`, 'PUT', { name: address })
  // Two people: undo is each person's own, in whichever browser it is asked for.
  const other = await joinDoor(rig.app, `other-${seed}`)
  const hands = [new Hand('one', browser, rig, job, rig.signedIn()), new Hand('other', browser, rig, job, other)] as const
  for (const hand of hands) await hand.open()
  const places = await textPlaces(hands[0].page)
  const tally = Object.fromEntries([...TROUBLES, 'words', 'undone'].map((what) => [what, 0])) as CampaignTally
  const own = (i: number): string => places.filter((_, n) => n % 2 === i)[Math.floor(next() * Math.floor(places.length / 2))] ?? ''

  for (let round = 0; round < rounds; round++) {
    const trouble = TROUBLES[round % TROUBLES.length] ?? 'nothing'
    const struck = hands[Math.floor(round / TROUBLES.length) % 2] ?? hands[0]
    tell(`round ${round + 1} of ${rounds}: ${trouble}`)
    tally[trouble]++
    if (trouble === 'kill the server') await rig.killApp()
    if (trouble === 'cut the line') await struck.cut()
    if (trouble === 'publish and kill') await publishAndKill(rig, job)
    await Promise.all(
      hands.map(async (hand, i) => {
        for (let n = 0; n < 3; n++) {
          const place = own(i)
          if (n === 1 && next() < 0.5) {
            await hand.type(place, `${hand.name} ${round} mistaken`)
            await hand.page.getByRole('button', { name: 'Undo', exact: true }).click()
            tally.undone++
          }
          await hand.type(place, `${hand.name} ${round}.${n}`)
          tally.words++
        }
      }),
    )
    if (trouble === 'close the tab') await struck.crash()
    if (trouble === 'kill the server' || trouble === 'publish and kill') await rig.startApp()
    await struck.mend()
    if (trouble === 'close the tab') await struck.open()
  }

  const wanted = new Map([...hands[0].wanted, ...hands[1].wanted])
  for (const hand of hands) await saved(hand.page)
  for (const hand of hands) await hand.finds(wanted)
  await rig.killApp()
  await rig.startApp()
  await hands[0].open()
  await hands[0].finds(wanted)
  await publishedWith(rig, job, address, wanted.get('Hero: Heading'))
  for (const hand of hands) await hand.close()
  return tally
}

/** The names of the ledger's cells that take plain words. */
async function textPlaces(page: Page): Promise<string[]> {
  const names = await page
    .getByRole('textbox', { name: /^[A-Z][a-z ]+: / })
    .evaluateAll((all) => all.flatMap((one) => (one instanceof HTMLTextAreaElement ? [one.getAttribute('aria-label') ?? ''] : [])))
  const places = [...new Set(names)].filter((name) => name !== '').slice(0, 16)
  if (places.length < 8 || places[0] === undefined) throw new Error(`Too few places to type in: ${names.join(', ')}`)
  return places
}

async function send(rig: Rig, path: string, method: string, body: unknown): Promise<string> {
  const response = await askApp(rig.app + path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
  return response.text()
}

function lastLine<T>(text: string): T {
  return JSON.parse(text.trim().split('\n').at(-1) ?? 'null') as T
}

/** Begins to publish, and ends the application at the first word of progress. */
async function publishAndKill(rig: Rig, job: string): Promise<void> {
  const { result } = lastLine<{ result: { revision: number } }>(await send(rig, `/api/jobs/${job}/prepare`, 'POST', {}))
  const publishing = await askApp(`${rig.app}/api/jobs/${job}/publish`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ revision: result.revision }),
  })
  await publishing.body?.getReader().read()
  await rig.killApp()
}

/** Publishes, and looks at the site as a visitor would. */
async function publishedWith(rig: Rig, job: string, address: string, words: string | undefined): Promise<void> {
  await expect(async () => {
    const { result } = lastLine<{ result?: { revision: number } }>(await send(rig, `/api/jobs/${job}/prepare`, 'POST', {}))
    const done = lastLine<{ result?: unknown }>(await send(rig, `/api/jobs/${job}/publish`, 'POST', { revision: result?.revision }))
    expect(done.result).toBeTruthy()
  }).toPass()
  const { status, text } = await askHost(rig.siteUrl(address), '/')
  expect(status).toBe(200)
  if (words !== undefined) expect(text).toContain(words)
}
