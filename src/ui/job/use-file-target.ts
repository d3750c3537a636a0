import { useRef, useState, type RefObject } from 'react'
import type { FileTarget } from '@/core/site'
import { ApiError, uploadFile } from './api'
import { useJobStore } from './job-context'
import { refusal } from '../parts/notice'

export type FileChoice = {
  /** The hidden input that the choice is made with. */
  readonly input: RefObject<HTMLInputElement | null>
  readonly ask: () => void
  readonly take: (files: readonly File[]) => void
  readonly busy: boolean
}

/** Choosing a file for visitors, such as a price list: it is sent at once, and `onFile` is told of it. */
export function useFileTarget(onFile: (file: FileTarget) => void): FileChoice {
  const store = useJobStore()
  const input = useRef<HTMLInputElement>(null)
  const [busy, setBusy] = useState(false)
  const take = async ([file]: readonly File[]): Promise<void> => {
    if (!file) return
    setBusy(true)
    try {
      onFile(await uploadFile(store.getState().id, file))
    } catch (error) {
      refusal(error instanceof ApiError ? error.message : 'The file was not taken. Choose it again.')
    } finally {
      setBusy(false)
    }
  }
  return { input, ask: () => input.current?.click(), take: (files) => void take(files), busy }
}
