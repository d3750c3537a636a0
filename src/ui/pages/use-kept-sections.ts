import type { KeptSection } from '@/core/plan'
import { keptLinesSchema, type KeptLine, type KeptLines } from '@/core/replies'
import { refusal } from '../parts/notice'
import { getJson, sendJson } from '../request/api'
import { refuse } from '../request/refuse'
import { useQuery } from '../request/use-query'

export type KeptShelf = {
  /** Null while they are fetched. */
  readonly kept: readonly KeptLine[] | null
  readonly rename: (id: string, name: string) => void
  readonly remove: (id: string) => void
}

/** The sections that the designer keeps, fetched as the shelf is opened. */
export function useKept(): KeptShelf {
  const { data, fault, setData } = useQuery(fetchKept, { onFault: refusal })
  // Where they cannot be fetched there are none to choose, and it is said why.
  const kept = data?.kept ?? (fault === null ? null : NONE)
  const change = (call: Promise<void>, next: (lines: readonly KeptLine[]) => readonly KeptLine[]): void =>
    void call.then(() => setData({ kept: next(kept ?? NONE) })).catch(refuse)
  return {
    kept,
    rename: (id, name) =>
      change(sendJson(`/api/kept-sections/${id}`, { name }, 'PUT'), (lines) =>
        lines.map((line) => (line.id === id ? { ...line, name } : line)),
      ),
    remove: (id) => change(sendJson(`/api/kept-sections/${id}`, {}, 'DELETE'), (lines) => lines.filter((line) => line.id !== id)),
  }
}

const NONE: readonly KeptLine[] = []
const fetchKept = (): Promise<KeptLines> => getJson('/api/kept-sections', keptLinesSchema)

/** Keeps a section for other jobs. */
export async function keepSection(name: string, section: KeptSection): Promise<void> {
  await sendJson('/api/kept-sections', { name, section })
}

/** Lets a job show the pictures of a kept section, before it is taken in. */
export async function linkKept(id: string, job: string): Promise<void> {
  await sendJson(`/api/kept-sections/${id}/take`, { job })
}
