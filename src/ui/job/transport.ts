import type { TemplateLibrary } from '@/core/pack'
import type { LogRow } from '@/core/site'
import { appendedSchema, historyPageSchema, openJobSchema, type Appended, type HistoryPage, type OpenJob } from '@/core/replies'
import { askJson, getJson, ownHeaders } from '../request/api'
import { fetchLibrary } from './library'

export type SentRow = Pick<LogRow, 'id' | 'gesture' | 'undoes' | 'edit'>

/** How a job's store talks to the database. Every call may fail, and may be made again. */
export type Transport = {
  readonly append: (base: number, who: string, rows: readonly SentRow[]) => Promise<Appended>
  readonly since: (revision: number) => Promise<Appended>
  readonly open: () => Promise<OpenJob>
  readonly history: (before: number) => Promise<HistoryPage>
  readonly library: (version: string) => Promise<TemplateLibrary>
  /** Sends without waiting, since the page goes away. */
  readonly leave: (base: number, who: string, rows: readonly SentRow[]) => void
  /** Calls back with each new revision, when the line is there again, and when visitors are switched; returns what stops it. */
  readonly follow: (onRevision: (revision: number | null) => void, onPublished: () => void) => () => void
}

/** The transport of a screen: HTTP and server-sent events. */
export function httpTransport(job: string): Transport {
  const edits = `/api/jobs/${job}/edits`
  return {
    append: (base, who, rows) => askJson(edits, { base, who, rows }, appendedSchema),
    since: (revision) => getJson(`${edits}?since=${revision}`, appendedSchema),
    open: () => getJson(`/api/jobs/${job}`, openJobSchema),
    history: (before) => getJson(`/api/jobs/${job}/history?before=${before}`, historyPageSchema),
    library: fetchLibrary,
    leave: (base, who, rows) => {
      const body = JSON.stringify({ base, who, rows })
      void fetch(edits, { method: 'POST', keepalive: true, headers: ownHeaders('application/json'), body }).catch(() => undefined)
    },
    follow: (onRevision, onPublished) => {
      const events = new EventSource(`/api/jobs/${job}/events`)
      events.addEventListener('message', ({ data }) => (data === 'published' ? onPublished() : onRevision(Number(data))))
      events.addEventListener('open', () => onRevision(null))
      return () => events.close()
    },
  }
}

export function toSent({ id, gesture, undoes, edit }: LogRow): SentRow {
  return { id, gesture, undoes, edit }
}
