import { EventEmitter } from 'node:events'
import { kept } from '../files/kept'

const events = (): EventEmitter => kept('publication-events', () => new EventEmitter().setMaxListeners(0))

/** Tells whoever watches a job that visitors see something else of it now. */
export function announcePublication(job: string): void {
  events().emit(job)
}

/** Calls back each time visitors of a job's site are switched; returns what stops it. */
export function watchPublications(job: string, onPublished: () => void): () => void {
  events().on(job, onPublished)
  return () => events().off(job, onPublished)
}
