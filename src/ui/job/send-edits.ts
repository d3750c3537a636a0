import type { LogRow } from '@/core/site'
import { ApiError, callApi, postJson } from './api'
import type { JobState, OpenJob, SavedRow, SaveState } from './job-state'

type Effects = {
  readonly receive: (rows: readonly SavedRow[]) => void
  readonly restart: (job: OpenJob) => void
  readonly setSaveState: (state: SaveState) => void
  readonly setTrouble: (trouble: string) => void
  readonly drop: (ids: readonly string[]) => void
}
export type Sender = { readonly wake: () => void; readonly isSending: (id: string) => boolean; readonly close: () => void }

/** How long typing may go on before it is sent, and how often a silent server is tried again. */
const GATHER_MS = 250
const RETRY_MS = [500, 1000, 2000, 4000]

/**
 * Carries pending rows to the server, a few at a time and in order, and listens for what other tabs did. A row leaves the
 * pending list only when the server says that it is in the database; a lost reply is harmless, since a row that is sent
 * twice is written once.
 */
export function sendEdits(job: string, state: () => JobState, effects: Effects): Sender {
  let sending: readonly string[] = []
  let timer: ReturnType<typeof setTimeout> | null = null
  let failures = 0
  let closed = false

  const plan = (ms: number): void => {
    if (closed || (timer !== null && failures === 0)) return
    if (timer !== null) clearTimeout(timer)
    timer = setTimeout(() => {
      timer = null
      void send()
    }, ms)
  }

  const send = async (): Promise<void> => {
    const rows = state().pending
    if (sending.length > 0 || rows.length === 0) return
    sending = rows.map((row) => row.id)
    try {
      const reply = await postJson<{ rows: SavedRow[] }>(`/api/jobs/${job}/edits`, { base: state().revision, rows: rows.map(toSent) })
      failures = 0
      effects.receive(reply.rows)
    } catch (error) {
      await recover(error, rows)
    } finally {
      sending = []
      if (state().pending.length > 0) plan(failures === 0 ? 0 : (RETRY_MS[Math.min(failures, RETRY_MS.length) - 1] ?? 4000))
      else effects.setSaveState('saved')
    }
  }

  const recover = async (error: unknown, rows: readonly LogRow[]): Promise<void> => {
    if (!(error instanceof ApiError)) throw error
    if (error.code === 'revisionUnknown') return fetchAnew()
    if (error.status === 422 || error.status === 400) {
      effects.setTrouble(error.message)
      effects.drop(rows.map((row) => row.id))
      return
    }
    failures++
    if (error.status !== 0) effects.setTrouble(error.message)
    effects.setSaveState('waiting')
  }

  const fetchAnew = async (): Promise<void> => {
    try {
      effects.restart(await callApi<OpenJob>(`/api/jobs/${job}`))
    } catch {
      failures++
      effects.setSaveState('waiting')
    }
  }

  const follow = async (): Promise<void> => {
    try {
      effects.receive((await callApi<{ rows: SavedRow[] }>(`/api/jobs/${job}/edits?since=${state().revision}`)).rows)
    } catch {
      // The next event, or our own next edit, brings these rows again.
    }
  }

  const events = typeof EventSource === 'undefined' ? null : new EventSource(`/api/jobs/${job}/events`)
  events?.addEventListener('message', (event) => {
    if (Number(event.data) > state().revision && sending.length === 0) void follow()
  })
  events?.addEventListener('open', () => void follow())

  /** A page that is going away hands over what it still has. */
  const flush = (): void => {
    const rows = state().pending.filter((row) => !sending.includes(row.id))
    if (rows.length === 0) return
    void fetch(`/api/jobs/${job}/edits`, { method: 'POST', keepalive: true, headers: { 'content-type': 'application/json' }, body: JSON.stringify({ base: state().revision, rows: rows.map(toSent) }) }).catch(() => undefined)
  }
  const warn = (event: BeforeUnloadEvent): void => {
    if (state().saveState === 'waiting') event.preventDefault()
  }
  if (typeof window !== 'undefined') {
    window.addEventListener('pagehide', flush)
    window.addEventListener('beforeunload', warn)
  }

  return {
    wake: () => plan(failures === 0 ? GATHER_MS : 4000),
    isSending: (id) => sending.includes(id),
    close: () => {
      flush()
      closed = true
      events?.close()
      window.removeEventListener('pagehide', flush)
      window.removeEventListener('beforeunload', warn)
    },
  }
}

function toSent({ id, edit, group, mark }: LogRow): object {
  return { id, edit, group, mark }
}
