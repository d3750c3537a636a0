import { useState, type FormEvent } from 'react'
import { ApiError } from '../job/api'

/** Something that is asked of the server by a form: whether it is on its way, and why it was not done. */
export function useAsking(): {
  readonly busy: boolean
  readonly fault: string | null
  readonly ask: (work: () => Promise<unknown>) => (event?: FormEvent) => Promise<void>
} {
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const ask = (work: () => Promise<unknown>) => async (event?: FormEvent) => {
    event?.preventDefault()
    if (busy) return
    setBusy(true)
    setFault(null)
    try {
      await work()
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'That could not be done. Try again.')
    } finally {
      setBusy(false)
    }
  }
  return { busy, fault, ask }
}
