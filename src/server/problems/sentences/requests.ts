import { NOT_OUR_HOST } from '../../http/hosts'
import type { Details, Sentences } from './details'

/** What is wrong with a request itself, whoever makes it. */
export const REQUESTS = {
  requestWrong: { status: 400, sentence: (d: Details<'fault'>) => `The request could not be read: ${d.fault}.` },
  valueWrong: { status: 400, sentence: (d: Details<'said'>) => `${d.said}.` },
  requestElsewhere: { status: 421, sentence: () => NOT_OUR_HOST.trim() },
  requestForeign: { status: 403, sentence: () => 'This was asked for by a page of another site, so nothing was changed.' },
  requestTooLong: {
    status: 413,
    sentence: (d: Details<'limit'>) => `The request is longer than ${d.limit} MB, so nothing of it was read.`,
  },
  unexpected: { status: 500, sentence: () => 'Something went wrong on our side. What was shown as saved is safe; try again.' },
} as const satisfies Sentences
