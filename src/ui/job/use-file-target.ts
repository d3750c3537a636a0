import { useRef, type RefObject } from 'react'
import type { FileTarget } from '@/core/site'
import { uploadFile } from '../request/api'
import { useMutation } from '../request/use-mutation'
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
  const { busy, run } = useMutation({ otherwise: 'The file was not taken. Choose it again.', onFault: refusal })
  const take = async ([file]: readonly File[]): Promise<void> => {
    if (!file) return
    await run(async () => onFile(await uploadFile(store.getState().id, file)))
  }
  return { input, ask: () => input.current?.click(), take: (files) => void take(files), busy }
}
