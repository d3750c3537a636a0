import { nanoid } from 'nanoid'
import type { Appended, OpenJob } from '../src/core/replies'
import { appendRows, jobState, watchJob } from '../src/server/log/edit-log'
import { kept } from '../src/server/files/kept'
import { rowsSince, historyPage } from '../src/server/store/log-rows'
import type { Edit, LogRow } from '../src/core/site'
import { ApiError } from '../src/ui/request/api'
import { createJobStore, type JobStore } from '../src/ui/job/job-store'
import type { GivenBack } from '../src/ui/job/job-state'
import type { KeptRow, Outbox } from '../src/ui/job/outbox'
import type { Transport } from '../src/ui/job/transport'
import { testPack } from './pack'

/** What a browser keeps while its tabs come and go: one outbox for all, each row belonging to a tab. */
export class Browser {
  readonly who = nanoid(8)
  readonly rows = new Map<string, KeptRow & { tab: string }>()
  readonly given = new Map<string, GivenBack>()
  private readonly alive = new Set<string>()
  private readonly heirs = new Map<string, (gone: string) => void>()

  outbox(): Outbox & { readonly die: () => void } {
    const tab = nanoid(6)
    this.alive.add(tab)
    return {
      put: (row) => void this.rows.set(row.row.id, { ...row, tab }),
      remove: (ids) => ids.forEach((id) => this.rows.delete(id)),
      giveBack: (given) => void this.given.set(given.id, given),
      forget: (id) => void this.given.delete(id),
      adopt: async (later) => {
        this.heirs.set(tab, (gone) => later(this.takeOver(tab, (row) => row.tab === gone)))
        return { rows: this.takeOver(tab, (row) => !this.alive.has(row.tab)), givenBack: [...this.given.values()] }
      },
      settled: async () => undefined,
      close: () => this.end(tab),
      die: () => this.end(tab),
    }
  }

  private takeOver(tab: string, which: (row: { readonly tab: string }) => boolean): readonly LogRow[] {
    const left = [...this.rows.values()].filter(which).sort((a, b) => a.seq - b.seq)
    for (const row of left) this.rows.set(row.row.id, { ...row, tab })
    return left.map((row): LogRow => row.row)
  }

  /** The tab is gone; the first of those that live takes over what it left. */
  private end(tab: string): void {
    this.alive.delete(tab)
    this.heirs.delete(tab)
    const [heir] = this.heirs.values()
    heir?.(tab)
  }
}

/** A message on its way: to the server, or back. It moves only when the world lets it. */
type Flight = {
  ask: () => unknown
  result: { value: unknown } | { error: unknown } | null
  resolve: (value: unknown) => void
  reject: (error: unknown) => void
}
export type Client = { readonly store: JobStore; readonly browser: Browser; readonly die: () => void; readonly made: Set<string> }

/**
 * Several screens on one job over a network that loses, doubles, delays and reorders, with crashes of both sides;
 * nothing moves by itself.
 */
export class World {
  readonly clients: Client[] = []
  /** The templates that the server has. */
  readonly library = { version: 'as shipped', library: { pack: testPack(), assets: {} } }
  private flights: Flight[] = []
  private timers: (() => void)[] = []
  private events: { readonly tell: (revision: number | null) => void; readonly revision: number | null }[] = []

  constructor(readonly job: string) {}

  open(browser: Browser): Client {
    const outbox = browser.outbox()
    let dead = false
    const store = createJobStore(this.read(), this.library.library, {
      transport: this.transport(() => dead),
      outbox,
      who: browser.who,
      wait: (_, then) => {
        const timer = (): void => void (dead || then())
        this.timers.push(timer)
        return () => void (this.timers = this.timers.filter((t) => t !== timer))
      },
    })
    const client: Client = {
      store,
      browser,
      made: new Set(),
      die: () => {
        dead = true
        outbox.die()
        this.clients.splice(this.clients.indexOf(client), 1)
      },
    }
    store.subscribe((state) => state.pending.forEach((row) => client.made.add(row.id)))
    this.clients.push(client)
    return client
  }

  /** What the process holds in memory is gone; what is on the disk is there. */
  crashServer(): void {
    kept<Map<string, unknown>>('job-states', () => new Map()).delete(this.job)
  }

  /** Moves one thing on: a timer, an event, or a message, which may get lost or be delivered twice on its way. */
  async move(at: number, fate: 'arrives' | 'is lost' | 'is doubled'): Promise<void> {
    const all = this.flights.length + this.timers.length + this.events.length
    if (all > 0) this.moveOne(at % all, fate)
    await settleMicrotasks()
  }

  private moveOne(at: number, fate: 'arrives' | 'is lost' | 'is doubled'): void {
    const flight = this.flights[at]
    if (flight) return this.moveFlight(flight, fate)
    const timer = this.timers[at - this.flights.length]
    if (timer) {
      this.timers = this.timers.filter((t) => t !== timer)
      return timer()
    }
    const [event] = this.events.splice(at - this.flights.length - this.timers.length, 1)
    if (event && fate !== 'is lost') event.tell(event.revision)
  }

  private moveFlight(flight: Flight, fate: 'arrives' | 'is lost' | 'is doubled'): void {
    const land = (): void => void (this.flights = this.flights.filter((f) => f !== flight))
    if (fate === 'is lost') {
      land()
      return flight.reject(new ApiError(0, 'noAnswer', 'lost'))
    }
    if (flight.result === null) {
      if (fate === 'is doubled') attempt(flight.ask)
      flight.result = attempt(flight.ask)
      return
    }
    land()
    if ('value' in flight.result) flight.resolve(flight.result.value)
    else flight.reject(flight.result.error)
  }

  /** The network heals: everything arrives, until nothing is on its way and nothing waits to be sent. */
  async heal(): Promise<void> {
    for (let i = 0; i < 5000; i++) {
      // Lines that broke are there again.
      if (
        this.quiet() &&
        this.clients.every((c) => c.store.getState().pending.length === 0 && c.store.getState().revision === jobState(this.job).revision)
      )
        return
      if (this.quiet()) this.clients.forEach((c) => c.store.back())
      await this.move(0, 'arrives')
    }
    throw new Error('The world does not come to rest')
  }

  private quiet(): boolean {
    return this.flights.length + this.timers.length + this.events.length === 0
  }

  private read(): OpenJob {
    const state = jobState(this.job)
    return {
      id: this.job,
      ...state,
      history: historyPage(this.job, state.revision, 40, 1e6),
      assets: {},
      library: this.library.version,
      missing: [],
    }
  }

  private transport(isDead: () => boolean): Transport {
    const fly = <T>(ask: () => T): Promise<T> =>
      new Promise<T>((resolve, reject) => {
        const whenAlive = (then: (value: never) => void) => (value: unknown) => void (isDead() || then(value as never))
        this.flights.push({ ask, result: null, resolve: whenAlive(resolve as never), reject: whenAlive(reject as never) })
      })
    return {
      append: (base, who, rows) =>
        fly(
          () =>
            ({
              ...appendRows(this.job, who, base, structuredClone(rows) as never),
              library: this.library.version,
              missing: [],
            }) as unknown as Appended,
        ),
      since: (revision) =>
        fly(() => ({
          library: this.library.version,
          revision: jobState(this.job).revision,
          rows: rowsSince(this.job, revision),
          written: [],
          refused: [],
        })),
      open: () => fly(() => this.read()),
      library: () => fly(() => this.library.library),
      history: (before) => fly(() => historyPage(this.job, before - 1, 40, 1e6)),
      leave: (base, who, rows) => void fly(() => appendRows(this.job, who, base, rows as never)).catch(() => undefined),
      follow: (tell) => {
        const hear = (revision: number | null): void => void this.events.push({ tell: (r) => void (isDead() || tell(r)), revision })
        hear(null)
        return watchJob(this.job, hear)
      },
    }
  }
}

/** What a request comes to at the server: a reply, or its refusal as the screen sees it. */
function attempt(ask: () => unknown): { value: unknown } | { error: unknown } {
  try {
    return { value: structuredClone(ask()) }
  } catch (error) {
    const { code = 'unexpected', message = '' } = error as { code?: string; message?: string }
    return { error: new ApiError(code === 'revisionUnknown' ? 409 : 500, code, message) }
  }
}

async function settleMicrotasks(): Promise<void> {
  for (let i = 0; i < 12; i++) await Promise.resolve()
}

export type Doing = { readonly edit: Edit; readonly gesture: string }
