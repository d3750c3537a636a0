import type { Details, Sentences } from './details'

/** Addresses, releases, and where they go. */
export const PUBLISHING = {
  addressWrong: { status: 422, sentence: (d: Details<'fault'>) => `${d.fault}` },
  addressTaken: { status: 409, sentence: (d: Details<'name'>) => `“${d.name}” is taken. Choose another name.` },
  addressNone: { status: 409, sentence: () => 'Choose an address first; then the site can be built for it.' },
  pageNotAlone: { status: 409, sentence: (d: Details<'why'>) => `This page cannot go out alone: ${d.why}. Publish all that has changed.` },
  releaseGone: { status: 404, sentence: () => 'There is no such release of this job.' },
  publishingAlready: {
    status: 409,
    sentence: () => 'This site is being published right now, from another tab. Wait until it is done, then look at the plan again.',
  },
  overtaken: { status: 409, sentence: () => 'Something newer was published there meanwhile.' },
  timeWrong: { status: 422, sentence: () => 'Choose a time that is still to come, within a year.' },
  publishingStopped: {
    status: 409,
    sentence: () => 'Stopped. Visitors see what they saw before. What was sent already is not sent again.',
  },
  movedOn: {
    status: 409,
    sentence: (d: Details<'asked' | 'now'>) =>
      `The site was changed since this plan was made (revision ${d.asked}; it is at ${d.now}). Look at the new plan, then publish.`,
  },
  hostDown: {
    status: 502,
    sentence: (d: Details<'where' | 'fault' | 'seen'>) => `${d.where} does not answer (${d.fault}). ${d.seen} Try again when it is back.`,
  },
  hostFull: {
    status: 507,
    sentence: (d: Details<'where' | 'seen'>) =>
      `${d.where} has no room left for these files. ${d.seen} Make room there, then publish again.`,
  },
  hostRefused: { status: 502, sentence: (d: Details<'where' | 'fault' | 'seen'>) => `${d.where} refused: ${d.fault}. ${d.seen}` },
  destinationGone: { status: 404, sentence: () => 'There is no such destination any more. It may have been removed in another window.' },
  destinationLocked: {
    status: 409,
    sentence: (d: Details<'where'>) =>
      `The login of “${d.where}” cannot be opened here: its key is on the computer where it was added. Remove it and add it again.`,
  },
  destinationOpen: {
    status: 409,
    sentence: (d: Details<'where'>) =>
      `What was last published to ${d.where} is not finished yet. Publish there once more, then change or remove it.`,
  },
  secretWanted: {
    status: 409,
    sentence: () => 'Type the password or key again. The saved one is only sent to the server and user name it was saved for.',
  },
  filesInTheWay: {
    status: 409,
    sentence: (d: Details<'where' | 'paths' | 'seen'>) =>
      `${d.where} already has files with the same names that are not from this site: ${d.paths}. ${d.seen} Under What will change, ` +
      'decide whether to replace them.',
  },
  contentGone: {
    status: 500,
    sentence: (d: Details<'path'>) =>
      `A file of this release, ${d.path}, is damaged here. Nothing was switched: visitors see what they saw before. ` +
      'Publish the site as it is now instead.',
  },
} as const satisfies Sentences
