import type { Appended } from '@/core/replies'
import { report } from '../parts/tell-each'
import { ApiError } from '../request/api'
import type { JobState, PendingRow } from './job-state'
import { toSent, type Transport } from './transport'

type Effects = {
  /** Fetches templates and designs of a version, where they are not those that are here. */
  readonly learn: (library: string) => Promise<void>
  /** Takes in what the database said. */
  readonly receive: (reply: Appended) => void
  /** Starts over from the database's own state. */
  readonly restart: () => Promise<void>
  /** From now on these rows are as they are. */
  readonly freeze: (ids: readonly string[]) => void
  readonly refuse: (id: string, code: string, sentence: string) => void
  readonly setSaveState: (state: JobState['saveState']) => void
  readonly setNotice: (notice: string) => void
  /** Visitors see something else now. */
  readonly published: () => void
}
export type Sync = { readonly wake: () => void; readonly leave: () => void; readonly back: () => void; readonly close: () => void }
/** Calls back after a time; returns what calls it off. */
export type Wait = (ms: number, then: () => void) => () => void

/** How long typing may go on before it is sent. */
const GATHER_MS = 250
/** How soon a server that does not answer is asked again, ever less often. */
const AGAIN_MS = [500, 1000, 2000, 4000, 8000, 16_000]
/** Refusals that say nothing of the rows. */
const WAITING: ReadonlySet<string> = new Set(['signedOut', 'otherPerson', 'requestForeign', 'requestElsewhere'])
const MOST_ROWS = 100
const MOST_CHARS = 400_000
/** What a page that goes away may still send: 64 KiB in all (Fetch, “keepalive”), in UTF-8. */
const LEAVING_CHARS = 20_000

/**
 * Carries pending rows to the database, in order, and listens for what others did. A row leaves the pending list only
 * when the database has it or has refused it; a lost reply is harmless, since a row that is sent twice is written once.
 */
export function startSync(transport: Transport, state: () => JobState, effects: Effects, wait: Wait = waitInBrowser): Sync {
  let busy = false
  let planned: (() => void) | null = null
  let failures = 0
  let closed = false
  /** The newest revision that was told of. */
  let heard = 0
  /** After a request that the server would not take as a whole, rows go one by one, so that the one at fault is found. */
  let singly = false

  const plan = (ms: number): void => {
    if (closed || (planned && failures === 0)) return
    planned?.()
    planned = wait(ms, () => {
      planned = null
      void send()
    })
  }

  const send = async (): Promise<void> => {
    const { pending, revision, who } = state()
    if (busy || closed || pending.length === 0) return
    busy = true
    const rows = singly ? pending.slice(0, 1) : fitting(pending, MOST_ROWS, MOST_CHARS)
    effects.freeze(rows.map((row) => row.id))
    try {
      const reply = await transport.append(revision, who, rows.map(toSent))
      failures = 0
      singly = false
      await takeIn(reply)
    } catch (error) {
      await recover(error, rows)
    } finally {
      busy = false
      if (heard > state().revision) void follow()
      if (state().pending.length > 0) plan(failures === 0 ? 0 : (AGAIN_MS[Math.min(failures, AGAIN_MS.length) - 1] ?? 500))
      else effects.setSaveState('saved')
    }
  }

  /** A reply that cannot bring all that lies between says so by bringing nothing. */
  const takeIn = async (reply: Appended): Promise<void> => {
    await effects.learn(reply.library)
    if (reply.revision > state().revision && reply.rows.length === 0) await effects.restart()
    effects.receive(reply)
    // What we thought was lost may have arrived all the same.
    if (state().pending.length > 0) return
    failures = 0
    effects.setSaveState('saved')
  }

  const recover = async (error: unknown, rows: readonly PendingRow[]): Promise<void> => {
    failures++
    if (!(error instanceof ApiError)) return startOver(error)
    effects.setSaveState('waiting')
    if (error.code === 'revisionUnknown') return restart()
    // The rows are good; who sends them is to sign in first.
    if (WAITING.has(error.code)) return effects.setNotice(error.message)
    const isOurFault = error.status >= 400 && error.status < 500
    const [only] = rows
    if (isOurFault && rows.length === 1 && only) {
      failures = 0
      effects.refuse(only.id, error.code, error.message)
    } else if (isOurFault) singly = true
    else if (error.status !== 0) effects.setNotice(error.message)
  }

  const restart = async (): Promise<void> => {
    try {
      await effects.restart()
      failures = 0
    } catch {
      // It is tried again with the rows.
    }
  }

  /** What the database said does not fit what is here. That is a fault of ours, and no reason to wait: what is there counts. */
  const startOver = async (error: unknown): Promise<void> => {
    report(error)
    try {
      await effects.restart()
    } catch (again) {
      if (!(again instanceof ApiError)) report(again)
      effects.setSaveState('waiting')
    }
  }

  const follow = async (): Promise<void> => {
    if (busy || closed) return
    try {
      await takeIn(await transport.since(state().revision))
    } catch (error) {
      // Where there was no answer, the next event, or our own next change, brings these rows again.
      if (!(error instanceof ApiError)) await startOver(error)
    }
  }

  const stop = transport.follow((revision) => {
    heard = Math.max(heard, revision ?? 0)
    if (revision === null || revision > state().revision) void follow()
    // The line is there again: what waits need not wait longer.
    if (revision === null && failures > 0) {
      failures = 0
      plan(0)
    }
  }, effects.published)

  const leave = (): void => {
    const { pending, revision, who } = state()
    const rows = fitting(
      pending.filter((row) => !row.sent),
      MOST_ROWS,
      LEAVING_CHARS,
    )
    if (rows.length === 0) return
    effects.freeze(rows.map((row) => row.id))
    transport.leave(revision, who, rows.map(toSent))
  }

  return {
    wake: () => plan(failures === 0 ? GATHER_MS : (AGAIN_MS[Math.min(failures, AGAIN_MS.length) - 1] ?? 500)),
    leave,
    back: () => {
      void follow()
      plan(0)
    },
    close: () => {
      leave()
      closed = true
      planned?.()
      stop()
    },
  }
}

/** As many rows from the front as fit into one request; one at least. */
function fitting(rows: readonly PendingRow[], most: number, chars: number): readonly PendingRow[] {
  let sum = 0
  const fit = rows.slice(0, most).findIndex((row) => (sum += JSON.stringify(row.edit).length) > chars)
  return fit < 0 ? rows.slice(0, most) : rows.slice(0, Math.max(1, fit))
}

function waitInBrowser(ms: number, then: () => void): () => void {
  const timer = setTimeout(then, ms)
  return () => clearTimeout(timer)
}
