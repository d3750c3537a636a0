import { useCallback, useEffect, useState } from 'react'
import type { AssetInfo } from '@/core/image'
import type { KeptSection } from '@/core/plan'
import { ApiError, callApi, postJson } from '../job/api'
import { refusal } from '../parts/notice'

/** A section kept for any job, with the pictures that it shows. */
export type KeptLine = {
  readonly id: string
  readonly name: string
  readonly keptAt: string
  readonly section: KeptSection
  readonly assets: readonly AssetInfo[]
}

export function say(error: unknown): void {
  refusal(error instanceof ApiError ? error.message : 'That did not work. Try it again.')
}

export type KeptShelf = {
  /** Null while they are fetched. */
  readonly kept: readonly KeptLine[] | null
  readonly rename: (id: string, name: string) => void
  readonly remove: (id: string) => void
}

/** The sections that the designer keeps, fetched as the shelf is opened. */
export function useKept(): KeptShelf {
  const [kept, setKept] = useState<readonly KeptLine[] | null>(null)
  useEffect(() => {
    let isOver = false
    callApi<{ kept: readonly KeptLine[] }>('/api/kept-sections')
      .then((reply) => !isOver && setKept(reply.kept))
      .catch((error: unknown) => {
        if (isOver) return
        say(error)
        setKept([])
      })
    return () => {
      isOver = true
    }
  }, [])
  const rename = useCallback((id: string, name: string) => {
    postJson(`/api/kept-sections/${id}`, { name }, 'PUT')
      .then(() => setKept((lines) => lines?.map((line) => (line.id === id ? { ...line, name } : line)) ?? null))
      .catch(say)
  }, [])
  const remove = useCallback((id: string) => {
    postJson(`/api/kept-sections/${id}`, {}, 'DELETE')
      .then(() => setKept((lines) => lines?.filter((line) => line.id !== id) ?? null))
      .catch(say)
  }, [])
  return { kept, rename, remove }
}

/** Keeps a section for other jobs. */
export async function keepSection(name: string, section: KeptSection): Promise<void> {
  await postJson('/api/kept-sections', { name, section })
}

/** Lets a job show the pictures of a kept section, before it is taken in. */
export async function linkKept(id: string, job: string): Promise<void> {
  await postJson(`/api/kept-sections/${id}/take`, { job })
}
