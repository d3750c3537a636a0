import { sql } from './db'

/** What search engines are told of a publication; `said` is what came back last where they have not taken it. */
export type Notice = {
  readonly publication: string
  readonly job: string
  readonly urls: readonly string[]
  readonly tries: number
  readonly toldAt: string | null
  readonly said: string | null
}
type Row = Omit<Notice, 'urls' | 'toldAt'> & { readonly urls: string; readonly told_at: string | null }
const COLUMNS = 'publication, notice.job, urls, tries, told_at, said'

function toNotice({ urls, told_at, ...row }: Row): Notice {
  return { ...row, toldAt: told_at, urls: JSON.parse(urls) as readonly string[] }
}

/** Notes what is to be told; what was noted before stays. */
export function insertNotice(publication: string, job: string, urls: readonly string[]): void {
  sql('INSERT OR IGNORE INTO notice (publication, job, urls) VALUES (?, ?, ?)').run(publication, job, JSON.stringify(urls))
}

/** What nobody has taken of a job's notices at a destination: they are put away, to be told with the next. */
export function takeUntold(job: string, destination: string): readonly string[] {
  const rows = sql<[string, string], Row>(
    `SELECT ${COLUMNS} FROM notice JOIN publication ON publication.id = publication
     WHERE notice.job = ? AND destination = ? AND told_at IS NULL ORDER BY switch`,
  ).all(job, destination)
  for (const { publication } of rows) sql('DELETE FROM notice WHERE publication = ?').run(publication)
  return rows.flatMap((row) => toNotice(row).urls)
}

/** What was not taken yet and was tried fewer times than so many, the oldest first; of jobs that tell nobody, nothing. */
export function openNotices(most: number): readonly Notice[] {
  return sql<[number], Row>(
    `SELECT ${COLUMNS} FROM notice JOIN publication ON publication.id = publication JOIN job ON job.id = notice.job
     WHERE told_at IS NULL AND tries < ? AND tells = 1 ORDER BY switch`,
  )
    .all(most)
    .map(toNotice)
}

/** The newest of a job's notices at a destination; null where there was nothing to tell. */
export function lastNotice(job: string, destination: string): Notice | null {
  const row = sql<[string, string], Row>(
    `SELECT ${COLUMNS} FROM notice JOIN publication ON publication.id = publication
     WHERE notice.job = ? AND destination = ? ORDER BY switch DESC LIMIT 1`,
  ).get(job, destination)
  return row ? toNotice(row) : null
}

export function noteTold(publication: string, at: string): void {
  sql('UPDATE notice SET told_at = ?, said = NULL, tries = tries + 1 WHERE publication = ?').run(at, publication)
}

export function noteNotTold(publication: string, said: string, tries: number): void {
  sql('UPDATE notice SET said = ?, tries = ? WHERE publication = ?').run(said, tries, publication)
}

/** Whether search engines are told of what changes on a job's site. */
export function tellsOf(job: string): boolean {
  return sql<[string], { tells: number }>('SELECT tells FROM job WHERE id = ?').get(job)?.tells !== 0
}

export function setTells(job: string, tells: boolean): void {
  sql('UPDATE job SET tells = ? WHERE id = ?').run(tells ? 1 : 0, job)
}
