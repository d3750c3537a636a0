import { useState } from 'react'
import { ApiError, callWithProgress, postJson } from '../../job/api'

type Step = 'looking' | 'asking' | 'proving' | 'giving'
const WORDS: Readonly<Record<Step, string>> = {
  looking: 'Looking up the records…',
  asking: 'Asking the authority for a certificate…',
  proving: 'Showing it that the domain leads here…',
  giving: 'The certificate is being made…',
}

export type DomainActs = {
  /** What goes on just now, in words. */
  readonly doing: string | null
  readonly fault: string | null
  readonly moveHere: () => Promise<boolean>
  readonly certify: () => Promise<boolean>
  readonly change: (change: { act: 'hsts'; on: boolean } | { act: 'ask by DNS' | 'leave DNS' }) => Promise<boolean>
  readonly remove: () => Promise<boolean>
}

/** What can be done with a client's domain; each answers whether it was done. `onDone` comes after each that was. */
export function useDomainActs(job: string, onDone: () => void): DomainActs {
  const [doing, setDoing] = useState<string | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const run = async (words: string, work: () => Promise<unknown>): Promise<boolean> => {
    setDoing(words)
    setFault(null)
    try {
      await work()
      onDone()
      return true
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'That could not be done. Try again.')
      return false
    } finally {
      setDoing(null)
    }
  }
  const at = `/api/jobs/${job}/domain`
  const long = (path: string): Promise<boolean> =>
    run(WORDS.looking, () => callWithProgress<{ step: Step }, unknown>(`${at}/${path}`, {}, ({ step }) => setDoing(WORDS[step])))
  return {
    doing,
    fault,
    moveHere: () => long('move'),
    certify: () => long('certificate'),
    change: (change) => run(change.act === 'ask by DNS' ? WORDS.asking : 'Telling the web host…', () => postJson(at, change)),
    remove: () => run('Removing it…', () => postJson(at, {}, 'DELETE')),
  }
}
