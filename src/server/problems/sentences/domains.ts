import type { Details, Sentences } from './details'

/** Domains of clients, and their certificates. */
export const DOMAINS = {
  domainWrong: { status: 422, sentence: (d: Details<'fault'>) => `${d.fault}` },
  domainTaken: { status: 409, sentence: (d: Details<'name'>) => `${d.name} is the domain of another job here. Remove it there first.` },
  domainNone: { status: 404, sentence: () => 'This job has no domain of its own any more. It may have been removed in another window.' },
  domainInUse: {
    status: 409,
    sentence: (d: Details<'name'>) =>
      `The site is at ${d.name}. Move it to another address and publish it there first, so that its visitors are sent there.`,
  },
  domainNotReady: {
    status: 409,
    sentence: (d: Details<'name' | 'fault'>) => `${d.name} does not lead here yet: ${d.fault} Look at the records, then go on.`,
  },
  authorityDown: {
    status: 502,
    sentence: () => 'The authority that gives certificates does not answer. Nothing was changed. Try again in a while.',
  },
  certificateRefused: {
    status: 502,
    sentence: (d: Details<'name' | 'fault'>) => `The authority gave no certificate for ${d.name}: ${d.fault} Nothing was changed.`,
  },
} as const satisfies Sentences
