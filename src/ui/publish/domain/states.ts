import type { RecordState } from '@/core/domain'

/** How each state is told: by a sign and in words. Only types come from where domains are reckoned with: the list of suffixes is long. */
export const SIGNS: Readonly<Record<RecordState, string>> = { right: '✓', cached: '◷', missing: '+', wrong: '✕', unknown: '?' }
export const STATES: Readonly<Record<RecordState, string>> = {
  right: 'right',
  cached: 'right, not everywhere yet',
  missing: 'to be set',
  wrong: 'to be changed',
  unknown: 'not known',
}
