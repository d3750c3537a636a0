import { randomUUID } from 'node:crypto'
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import type { IncomingMessage } from 'node:http'
import path from 'node:path'
import { isbot } from 'isbot'
import * as v from 'valibot'

/** How many different pages and places that visitors came from are told apart on a day; what is more is counted together. */
const MOST = 500
const OTHERS = '…'
/** How long a day is kept, and for how long at most a visit is held before it is written, in ms. */
const KEPT_DAYS = 400
const HELD_MS = 2000

const countsSchema = v.record(v.pipe(v.string(), v.maxLength(600)), v.pipe(v.number(), v.integer(), v.minValue(0)))
const daySchema = v.strictObject({ pages: countsSchema, referrers: countsSchema, robots: v.number() })
type Day = { readonly pages: Map<string, number>; readonly referrers: Map<string, number>; robots: number }
/** What was asked for on a day (UTC): pages by their path, the hosts of other sites that led there, and how often robots came. */
export type DayOfVisits = { readonly day: string } & v.InferOutput<typeof daySchema>

/**
 * Counts pages that are seen, by site and by day, and nothing of who sees them: no address, no cookie, no script, no hour. Robots, what is
 * fetched ahead of being seen, and browsers that ask not to be counted (Sec-GPC, DNT) are left out; robots are counted apart.
 */
export class Visits {
  private readonly days = new Map<string, Day>()
  private readonly waiting = new Set<string>()
  private timer: NodeJS.Timeout | null = null

  constructor(private readonly folder: string) {
    mkdirSync(folder, { recursive: true })
  }

  /** Counts a page of a site that was answered. */
  note(site: string, page: string, request: Pick<IncomingMessage, 'headers'>, now: Date): void {
    const { headers } = request
    if (headers['sec-gpc'] === '1' || headers.dnt === '1' || String(headers['sec-purpose'] ?? headers.purpose ?? '').includes('prefetch'))
      return
    const day = this.dayOf(site, now.toISOString().slice(0, 10))
    const agent = headers['user-agent'] ?? ''
    if (agent === '' || isbot(agent)) day.robots++
    else {
      add(day.pages, page)
      const from = hostOf(headers.referer)
      if (from !== null && from !== hostOf(`http://${headers.host ?? ''}`)) add(day.referrers, from)
    }
    this.waiting.add(`${site}/${now.toISOString().slice(0, 10)}`)
    this.timer ??= setTimeout(() => this.write(), HELD_MS).unref()
  }

  /** Every day of a site that anything was counted on, the oldest first. */
  of(site: string): DayOfVisits[] {
    this.write()
    return this.daysOf(site).map((day) => ({ day, ...read(this.file(site, day)) }))
  }

  private daysOf(site: string): string[] {
    try {
      return readdirSync(path.join(this.folder, site))
        .flatMap((name) => /^(\d{4}-\d\d-\d\d)\.json$/.exec(name)?.[1] ?? [])
        .sort()
    } catch {
      return []
    }
  }

  private dayOf(site: string, day: string): Day {
    const key = `${site}/${day}`
    const known = this.days.get(key)
    if (known) return known
    const { pages, referrers, robots } = read(this.file(site, day))
    const made = { pages: new Map(Object.entries(pages)), referrers: new Map(Object.entries(referrers)), robots }
    this.days.set(key, made)
    return made
  }

  private write(): void {
    this.timer = null
    for (const key of this.waiting) {
      const [site = '', day = ''] = key.split('/')
      const counted = this.days.get(key)
      if (!counted) continue
      const { pages, referrers, robots } = counted
      mkdirSync(path.join(this.folder, site), { recursive: true })
      const part = `${this.file(site, day)}.${randomUUID()}`
      writeFileSync(part, JSON.stringify({ pages: Object.fromEntries(pages), referrers: Object.fromEntries(referrers), robots }))
      renameSync(part, this.file(site, day))
      for (const old of this.daysOf(site).slice(0, -KEPT_DAYS)) rmSync(this.file(site, old), { force: true })
    }
    this.waiting.clear()
    // Of days that are over nothing more comes.
    if (this.days.size > MOST) this.days.clear()
  }

  private file(site: string, day: string): string {
    return path.join(this.folder, site, `${day}.json`)
  }
}

function add(counts: Map<string, number>, what: string): void {
  const key = counts.has(what) || counts.size < MOST ? what.slice(0, 500) : OTHERS
  counts.set(key, (counts.get(key) ?? 0) + 1)
}

function hostOf(url: string | undefined): string | null {
  return url !== undefined && URL.canParse(url) ? new URL(url).hostname || null : null
}

function read(file: string): Omit<DayOfVisits, 'day'> {
  try {
    return v.parse(daySchema, JSON.parse(readFileSync(file, 'utf8')))
  } catch {
    return { pages: {}, referrers: {}, robots: 0 } // None yet, or torn: what was counted of that day is lost, and nothing else.
  }
}
