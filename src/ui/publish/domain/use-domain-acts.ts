import { useState } from 'react'
import * as v from 'valibot'
import { domainProgressSchema, type DomainProgress } from '@/core/replies'
import { callWithProgress, sendJson } from '../../request/api'
import { useMutation } from '../../request/use-mutation'

const STEPS = { progress: domainProgressSchema, result: v.unknown() }
const WORDS: Readonly<Record<DomainProgress['step'], string>> = {
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
  const { busy, fault, run } = useMutation()
  const act = (words: string, work: () => Promise<unknown>): Promise<boolean> =>
    run(async () => {
      setDoing(words)
      await work()
      onDone()
    })
  const at = `/api/jobs/${job}/domain`
  const long = (path: string): Promise<boolean> =>
    act(WORDS.looking, () => callWithProgress(`${at}/${path}`, {}, STEPS, ({ step }) => setDoing(WORDS[step])))
  return {
    doing: busy ? doing : null,
    fault,
    moveHere: () => long('move'),
    certify: () => long('certificate'),
    change: (change) => act(change.act === 'ask by DNS' ? WORDS.asking : 'Telling the web host…', () => sendJson(at, change)),
    remove: () => act('Removing it…', () => sendJson(at, {}, 'DELETE')),
  }
}
