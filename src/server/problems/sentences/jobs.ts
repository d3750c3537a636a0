import type { Details, Sentences } from './details'

/** Jobs, and what is written into them. */
export const JOBS = {
  jobGone: { status: 404, sentence: () => 'There is no such job. It may have been made in another copy of the application.' },
  libraryGone: { status: 404, sentence: () => 'The templates here have changed since this page was opened. Load it again.' },
  keptGone: { status: 404, sentence: () => 'There is no such kept section. It may have been removed in another window.' },
  pageGoneThere: { status: 404, sentence: () => 'That page is not in the other job any more. Fetch its pages again.' },
  jobNotInBin: { status: 409, sentence: () => 'Only a job in the bin can be deleted for good. Move it there first.' },
  jobStillLive: {
    status: 409,
    sentence: (d: Details<'address'>) =>
      `The site of this job is still live at ${d.address}. While visitors can see it, its job stays in the bin.`,
  },
  revisionUnknown: {
    status: 409,
    sentence: (d: Details<'base' | 'revision'>) =>
      `This change was made on revision ${d.base}, which is not known here; the newest is ${d.revision}. The page ` +
      'fetches the job again and makes the change on that.',
  },
  jobDamaged: {
    status: 500,
    sentence: () =>
      'The saved data of this job cannot be read. Nothing was changed, and other jobs are safe. Ask the owner to run Check and repair ' +
      'under Account.',
  },
  editRefused: { status: 422, sentence: (d: Details<'why'>) => `A change could not be kept: ${d.why}.` },
  rowDiffers: {
    status: 409,
    sentence: () =>
      'This change reached the server twice, in two versions. The first was saved. Compare it with your words here and copy what is ' +
      'missing.',
  },
  takenBackAlready: { status: 409, sentence: () => 'This was undone already.' },
  workedOnSince: {
    status: 409,
    sentence: () => 'This cannot be undone, because a later change depends on it. Undo the later change first.',
  },
  designUnknown: {
    status: 422,
    sentence: (d: Details<'design'>) => `“${d.design}” is not among the templates here, so the site cannot wear it. Import its pack first.`,
  },
  templateGone: { status: 404, sentence: () => 'There is no such template here.' },
} as const satisfies Sentences
