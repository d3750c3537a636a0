import { useRef, useState, type FormEvent } from 'react'
import { sentenceOf } from './api'

export type Mutation = {
  readonly busy: boolean
  /** Why it was not done, in a sentence; null where it was, or where it goes on. */
  readonly fault: string | null
  /** Says what is wrong before anything is asked, or that nothing is any more. */
  readonly setFault: (sentence: string | null) => void
  /** Does it, one thing at a time: false where it was not done, or something else is on its way. */
  readonly run: (work: () => Promise<unknown>) => Promise<boolean>
  /** The same as what a form or a button does. */
  readonly handle: (work: () => Promise<unknown>) => (event?: FormEvent) => Promise<void>
}
type Options = {
  /** What is said of a fault that nobody foresaw. */
  readonly otherwise?: string
  /** Says a fault elsewhere than beside what was pressed. */
  readonly onFault?: (sentence: string) => void
}

/** Something that the server is asked to do: whether it is on its way, and why it was not done. */
export function useMutation({ otherwise, onFault }: Options = {}): Mutation {
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const isRunning = useRef(false)
  const run = async (work: () => Promise<unknown>): Promise<boolean> => {
    if (isRunning.current) return false
    isRunning.current = true
    setBusy(true)
    setFault(null)
    try {
      await work()
      return true
    } catch (error) {
      const sentence = sentenceOf(error, otherwise)
      setFault(sentence)
      onFault?.(sentence)
      return false
    } finally {
      isRunning.current = false
      setBusy(false)
    }
  }
  const handle = (work: () => Promise<unknown>) => async (event?: FormEvent) => {
    event?.preventDefault()
    await run(work)
  }
  return { busy, fault, setFault, run, handle }
}
