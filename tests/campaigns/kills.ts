import { createHash } from 'node:crypto'
import { publish } from '../../scripts/seed'
import { askApp, doorOf } from '../door'
import { askHost, makeJob } from '../e2e/screen'
import { random } from '../random'
import type { Rig } from '../rig'
import { setText } from '../site'

export type KillTally = {
  readonly rounds: number
  /** Edits that were answered as written. */
  readonly acknowledged: number
  /** Publications that were answered as live, and rounds after which visitors saw another release than before. */
  readonly published: number
  readonly switched: number
  readonly killed: Readonly<Record<Victim, number>>
  /** Pages and files that were asked for as a visitor asks, each of them whole. */
  readonly seen: number
  /** What the application held after the first rounds and after the last, each just started, in MB. */
  readonly megabytes: readonly [first: number, last: number]
}
type Victim = 'app' | 'host' | 'both'

/** Who is killed: mostly the web host, since an application that has just started has not published before it is killed again. */
const VICTIMS = ['host', 'host', 'host', 'app', 'both'] as const
/** The longest that edits and publishing go on before somebody is killed, in ms. */
const LONGEST_MS = 1000
const SITE = 'under-fire'

/**
 * Edits and publishing, both cut off by `kill -9` of the application, the web host or both, at a moment that nobody chose. After each start
 * every edit that was acknowledged is in the log, and visitors see one release, whole: a number that each edit writes on two pages at once
 * is the same on both, and every file that a page names is there with the bytes its name tells.
 */
export async function kills(
  rig: Rig,
  { rounds, seed, tell = () => undefined }: { readonly rounds: number; readonly seed: number; readonly tell?: (words: string) => void },
): Promise<KillTally> {
  const next = random(seed)
  const door = doorOf(rig.app)
  const job = await makeJob({ name: 'Under fire' }, rig.app)
  const client = new Editor(rig, job)
  await client.edit()
  await publish(door, job, SITE)
  const visitor = new Visitor(rig)
  const killed = { app: 0, host: 0, both: 0 }
  let [published, switched, before] = [0, 0, await visitor.look()]
  const held: number[] = []
  for (let round = 0; round < rounds; round++) {
    const victim: Victim = VICTIMS[Math.floor(next() * VICTIMS.length)]!
    const work = client.workUntilCut(() => publish(door, job, SITE))
    await new Promise((resolve) => setTimeout(resolve, next() * LONGEST_MS))
    await Promise.all([victim !== 'host' && rig.killApp(), victim !== 'app' && rig.killHost()])
    client.stop()
    published += await work
    killed[victim]++
    if (victim !== 'app') await rig.startHost()
    const now = await visitor.look()
    if (victim !== 'host') await rig.startApp()
    await client.findAll()
    held.push(rig.megabytes())
    if (now !== before) switched++
    before = now
    if (round % 25 === 24) tell(`${round + 1} rounds, ${client.acknowledged} edits, ${switched} switches, ${visitor.seen} files`)
  }
  // What was cut off is finished or taken back, and the next publication goes through.
  await eventually(() => publish(door, job, SITE))
  const last = await visitor.look()
  if (last !== client.newest) throw new Error(`Visitors see edit ${last}, and the newest is ${client.newest}`)
  const megabytes = [middle(held.slice(0, 10)), middle(held.slice(-10))] as const
  return { rounds, acknowledged: client.acknowledged, published, switched, killed, seen: visitor.seen, megabytes }
}

/** Tries again while what was begun before is still being finished. */
async function eventually(work: () => Promise<void>, until = Date.now() + 60_000): Promise<void> {
  try {
    await work()
  } catch (error) {
    if (Date.now() > until) throw error
    await eventually(work, until)
  }
}

const yes = (): boolean => true
const no = (): boolean => false

/** A line that was cut is what this is about; an answer that is no yes is not. */
function isCutOff(error: unknown): boolean {
  if (error instanceof TypeError || error instanceof SyntaxError) return false
  throw error
}

function middle(of: readonly number[]): number {
  return of.toSorted((a, b) => a - b)[Math.floor(of.length / 2)] ?? 0
}

/** Writes a number into the headings of two pages with each edit, and remembers what was acknowledged. */
class Editor {
  acknowledged = 0
  /** The number of the newest edit in the log. */
  newest = 0
  private number = 0
  private revision = 0
  private isCut = false
  private readonly unfound = new Map<string, number>()

  constructor(
    private readonly rig: Rig,
    private readonly job: string,
  ) {}

  async edit(): Promise<void> {
    const number = ++this.number
    const id = `kill-row-${number}`
    const steps = ['home.hero', 'about.title'].map((section) => setText(section, 'heading', `Number ${number}.`))
    const rows = [{ id, gesture: `kill-${number}`, undoes: null, edit: { type: 'batch', edits: steps } }]
    const response = await askApp(`${this.rig.app}/api/jobs/${this.job}/edits`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ base: this.revision, who: null, rows }),
    })
    const { written } = (await response.json()) as { written?: readonly string[] }
    if (!written?.includes(id)) throw new Error(`Edit ${number} was answered ${response.status}`)
    this.unfound.set(id, number)
    this.acknowledged++
  }

  /** Edits a few times, publishes, and so on; how often it was published. A plan that others' edits have overtaken would not be taken. */
  async workUntilCut(publishing: () => Promise<void>): Promise<number> {
    this.isCut = false
    let published = 0
    while (!this.isCut) {
      for (let i = 0; i < 5 && !this.isCut; i++) if (!(await this.edit().then(yes, isCutOff))) return published
      if (!this.isCut && (await publishing().then(yes, no))) published++
    }
    return published
  }

  stop(): void {
    this.isCut = true
  }

  /** Looks for everything acknowledged in what came since it was last looked for. */
  async findAll(): Promise<void> {
    for (;;) {
      const response = await askApp(`${this.rig.app}/api/jobs/${this.job}/edits?since=${this.revision}`)
      const { revision, rows } = (await response.json()) as { revision: number; rows: readonly { id: string; revision: number }[] }
      for (const row of rows) {
        this.unfound.delete(row.id)
        this.newest = Number(row.id.split('-').at(-1))
      }
      this.revision = rows.at(-1)?.revision ?? revision
      if (this.revision >= revision) break
    }
    if (this.unfound.size > 0) throw new Error(`Acknowledged and gone: ${[...this.unfound.keys()].join(', ')}`)
  }
}

/** Sees the site as visitors do. */
class Visitor {
  seen = 0
  private readonly known = new Set<string>()

  constructor(private readonly rig: Rig) {}

  /** The number that both pages say; throws where they differ, or where anything that they name is not whole. */
  async look(): Promise<number> {
    for (let again = 0; again < 5; again++) {
      const first = await this.page('/')
      const about = await this.page('/about/')
      const second = await this.page('/')
      // A release that was being switched to may come between two pages, never within one.
      if (first.number !== second.number) continue
      if (first.number !== about.number) throw new Error(`Home says ${first.number}, About ${about.number}`)
      for (const path of [...first.files, ...about.files]) await this.file(path)
      return first.number
    }
    throw new Error('Visitors see another release each time')
  }

  private async page(path: string): Promise<{ number: number; files: readonly string[] }> {
    const { status, text } = await askHost(this.rig.siteUrl(SITE), path)
    const number = Number(/Number (\d+)\./.exec(text)?.[1])
    if (status !== 200 || !text.endsWith('</html>\n') || !number) throw new Error(`${path} was answered ${status}, ${text.length} letters`)
    this.seen++
    const named = [...text.matchAll(/(?:href|src)="([^"#?]+\.(?:css|webp|jpg|png|svg|woff2|ico|webmanifest))"/g)].map((m) => m[1] ?? '')
    return { number, files: named.map((name) => new URL(name, `http://site.example${path}`).pathname) }
  }

  /** A file once seen whole is not asked for again: its name is of its content. */
  private async file(path: string): Promise<void> {
    if (this.known.has(path)) return
    const { status, text } = await askHost(this.rig.siteUrl(SITE), path, { encoding: 'latin1' })
    const bytes = Buffer.from(text, 'latin1')
    if (status !== 200 || bytes.length === 0) throw new Error(`${path} was answered ${status}, ${bytes.length} bytes`)
    const told = /-([0-9a-f]{8})\.\w+$/.exec(path)?.[1]
    if (told && !createHash('sha256').update(bytes).digest('hex').startsWith(told)) throw new Error(`${path} is not what its name tells`)
    this.known.add(path)
    this.seen++
  }
}
