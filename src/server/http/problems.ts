import type { PackFault } from '../../core/pack'
import { NOT_OUR_HOST } from './hosts'

/** What a sentence needs to know. */
type Details<Name extends string> = Readonly<Record<Name, string | number>>

/** Everything the server can refuse or fail at: its HTTP status, and the sentence a person reads. */
export const PROBLEMS = {
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
  requestWrong: { status: 400, sentence: (d: Details<'fault'>) => `The request could not be read: ${d.fault}.` },
  valueWrong: { status: 400, sentence: (d: Details<'said'>) => `${d.said}.` },
  requestElsewhere: { status: 421, sentence: () => NOT_OUR_HOST.trim() },
  requestForeign: { status: 403, sentence: () => 'This was asked for by a page of another site, so nothing was changed.' },
  signedOut: {
    status: 401,
    sentence: () => 'You are not signed in any more. Sign in again in another tab; what you did stays here and is saved then.',
  },
  otherPerson: {
    status: 409,
    sentence: (d: Details<'name'>) =>
      `${d.name} is signed in in this browser now. What you did stays here; sign in as yourself again, and it is saved.`,
  },
  notAllowed: { status: 403, sentence: () => 'You may look at this and not change it. Ask whoever invited you.' },
  signInWrong: { status: 401, sentence: () => 'No account has this email and password. Look at both again.' },
  passwordWrong: { status: 422, sentence: () => 'This is not your current password. Type it again.' },
  tooManyGuesses: { status: 429, sentence: (d: Details<'wait'>) => `That was wrong several times. Wait ${d.wait}, then try again.` },
  startedAlready: { status: 409, sentence: () => 'Somebody has an account here already. Sign in, or be invited.' },
  passGone: {
    status: 410,
    sentence: () => 'This link was used, has run out or was taken back. Ask for a new one.',
  },
  emailTaken: { status: 409, sentence: (d: Details<'email'>) => `Somebody here has the address ${d.email} already.` },
  personGone: { status: 404, sentence: () => 'There is nobody here by that name any more. Load the page again.' },
  ownerLast: { status: 409, sentence: () => 'Somebody has to be the owner. Make another person one first.' },
  passkeyWrong: {
    status: 422,
    sentence: (d: Details<'why'>) => `The passkey was not taken: ${d.why}. Try again, or sign in with your password.`,
  },
  requestTooLong: {
    status: 413,
    sentence: (d: Details<'limit'>) => `The request is longer than ${d.limit} MB, so nothing of it was read.`,
  },
  nameWrong: { status: 422, sentence: (d: Details<'fault'>) => `${d.fault}` },
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
  pageNotAlone: { status: 409, sentence: (d: Details<'why'>) => `This page cannot go out alone: ${d.why}. Publish all that has changed.` },
  designUnknown: {
    status: 422,
    sentence: (d: Details<'design'>) => `“${d.design}” is not among the templates here, so the site cannot wear it. Import its pack first.`,
  },
  packWrong: {
    status: 422,
    sentence: (d: Details<'name' | 'count'>) =>
      `“${d.name}” was not imported: ${d.count} ${d.count === 1 ? 'fault' : 'faults'} found. Nothing of it was kept.`,
  },
  projectWrong: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” cannot be imported: ${d.fault}. Nothing was changed here. Make the handover again where the job is.`,
  },
  projectTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'size' | 'limit'>) =>
      `“${d.name}” is ${d.size} MB; handovers up to ${d.limit} MB can be imported. Make it without its history, or with fewer pictures.`,
  },
  packDamaged: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) => `“${d.name}” cannot be opened: ${d.fault}. Pack it again as a plain zip.`,
  },
  packTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” is too large: ${d.fault}. Leave out what no page shows and make its pictures smaller.`,
  },
  templateGone: { status: 404, sentence: () => 'There is no such template here.' },
  tooHeavy: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” cannot be read: ${d.fault}. Nothing of it was kept. Export it again in a simpler form, or ask for another.`,
  },
  tooBusy: { status: 503, sentence: () => 'Many files are being read just now. Nothing of this one was kept; send it again in a minute.' },
  fileEmpty: {
    status: 422,
    sentence: (d: Details<'name'>) => `“${d.name}” is empty. Choose the file again, or ask the client to send it again.`,
  },
  pdfTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'size' | 'limit'>) =>
      `“${d.name}” is ${d.size} MB; files up to ${d.limit} MB fit. Save it for the web, with smaller pictures, and choose it again.`,
  },
  pdfWrong: {
    status: 422,
    sentence: (d: Details<'name'>) => `“${d.name}” is no PDF, or only a part of one. Save it as a PDF and choose it again.`,
  },
  fileTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'size' | 'limit'>) =>
      `“${d.name}” is ${d.size} MB; pictures up to ${d.limit} MB fit. Save it as a JPEG about 4000 pixels wide and choose it again.`,
  },
  fileType: {
    status: 415,
    sentence: (d: Details<'name' | 'found' | 'advice'>) =>
      `“${d.name}” is ${d.found}, which is not a picture for the web. Choose a JPEG, PNG, WebP, AVIF, GIF or SVG. ${d.advice}`,
  },
  fileDamaged: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” is damaged: ${d.fault}. Ask for the file again; it may have been cut short on its way.`,
  },
  pictureTooManyPixels: {
    status: 422,
    sentence: (d: Details<'name' | 'width' | 'height' | 'limit'>) =>
      `“${d.name}” claims ${d.width} × ${d.height} pixels; up to ${d.limit} million in all can be opened. Save it ` +
      'smaller and choose it again.',
  },
  pictureLost: {
    status: 500,
    sentence: (d: Details<'name'>) =>
      `The file of the picture “${d.name}” is damaged on this computer’s disk. Choose the file again to repair it everywhere.`,
  },
  fontLost: {
    status: 500,
    sentence: (d: Details<'name'>) =>
      `The font file ${d.name} is damaged on this computer’s disk. Choose it again under Brand to repair it everywhere.`,
  },
  drawingUnsafe: {
    status: 422,
    sentence: (d: Details<'name' | 'fault'>) =>
      `“${d.name}” is an SVG that cannot be used: ${d.fault}. Export it again as plain SVG, or as PNG.`,
  },
  fontTooLarge: {
    status: 413,
    sentence: (d: Details<'name' | 'size' | 'limit'>) =>
      `“${d.name}” is ${d.size} MB; font files up to ${d.limit} MB fit. Ask for a version with only the scripts that the site needs.`,
  },
  fontWrong: { status: 422, sentence: (d: Details<'name' | 'fault'>) => `“${d.name}” cannot be used: ${d.fault}.` },
  fontForbidden: { status: 422, sentence: (d: Details<'name' | 'advice'>) => `“${d.name}” may not be put on a website. ${d.advice}` },
  logoNotTransparent: {
    status: 422,
    sentence: (d: Details<'name'>) =>
      `“${d.name}” has no transparent ground, so in one colour it would be a flat box. Ask for a PNG with a transparent ground, or an SVG.`,
  },
  logoMerges: {
    status: 422,
    sentence: (d: Details<'name'>) =>
      `“${d.name}” tells its shapes apart by several colours, so in one colour they would run together. ` +
      'Ask the client for a one-colour version.',
  },
  addressWrong: { status: 422, sentence: (d: Details<'fault'>) => `${d.fault}` },
  addressTaken: { status: 409, sentence: (d: Details<'name'>) => `“${d.name}” is taken. Choose another name.` },
  addressNone: { status: 409, sentence: () => 'Choose an address first; then the site can be built for it.' },
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
  databaseLocked: {
    status: 503,
    sentence: () =>
      'Another program is using the database, so nothing can be saved. Close that program; your waiting changes are then saved.',
  },
  databaseDamaged: {
    status: 503,
    sentence: (d: Details<'file'>) =>
      `Something wrote over the database ${d.file}: it cannot be read. Nothing was changed. Stop Instant Fit and put a copy in its place ` +
      '(npm run unpack).',
  },
  databaseEmptied: {
    status: 503,
    sentence: (d: Details<'file'>) =>
      `The database ${d.file} is gone or empty, though files of jobs are beside it. Nothing was changed. Stop Instant Fit and put a copy ` +
      'in its place (npm run unpack), or move the folder away to start again.',
  },
  databaseNewer: {
    status: 503,
    sentence: (d: Details<'found' | 'known'>) =>
      `The database is of a newer Instant Fit (version ${d.found}; this one knows ${d.known}). Nothing was changed. Start the newer one.`,
  },
  folderReadOnly: {
    status: 503,
    sentence: (d: Details<'file'>) =>
      `Instant Fit may not write into the folder of ${d.file}. Nothing was changed. Give it the right to, then load this again.`,
  },
  onlyToRead: {
    status: 503,
    sentence: () =>
      'The data folder cannot be written. Everything is shown as it was kept, and nothing can be changed. Give Instant Fit the right to ' +
      'write there, and it goes on by itself.',
  },
  diskFails: {
    status: 503,
    sentence: () =>
      'This computer’s disk does not read or write as it should, so nothing was changed. Make a copy of the data folder first.',
  },
  diskFull: {
    status: 507,
    sentence: () => 'This computer’s disk is full, so nothing was written. Make room and try again; what was saved before is safe.',
  },
  unexpected: { status: 500, sentence: () => 'Something went wrong on our side. What was shown as saved is safe; try again.' },
} as const satisfies Record<string, { status: number; sentence: (details: never) => string }>

export type ProblemCode = keyof typeof PROBLEMS

/** What the sentence of a code is told; of several, what each of them is. */
type DetailsOf<Code extends ProblemCode> = [(typeof PROBLEMS)[Code]['sentence']] extends [(details: infer D) => string] ? D : never
type Rest = [options?: ErrorOptions | undefined, faults?: readonly PackFault[]]
type Told<Code extends ProblemCode> = unknown extends DetailsOf<Code> ? [details?: {}, ...Rest] : [details: DetailsOf<Code>, ...Rest]

/** A refusal or failure that ends a request, with what its sentence needs. */
export class Problem<Code extends ProblemCode = ProblemCode> extends Error {
  readonly code: Code
  readonly details: Details<string>
  readonly faults: readonly PackFault[]

  constructor(code: Code, ...[details = {}, options, faults = []]: Told<Code>) {
    const sentence: (details: never) => string = PROBLEMS[code].sentence
    super(sentence(details as never), options)
    this.name = 'Problem'
    this.code = code
    this.details = details as Details<string>
    this.faults = faults
  }
}

/** A problem as plain data, for one process to tell another. */
export type ProblemParts = { readonly code: ProblemCode; readonly details: Details<string>; readonly faults: readonly PackFault[] }

export function problemParts({ code, details, faults }: Problem): ProblemParts {
  return { code, details, faults }
}

/** A problem that another process has told of. */
export function problemOf({ code, details, faults }: ProblemParts): Problem {
  return new Problem<ProblemCode>(code, details as DetailsOf<ProblemCode>, undefined, faults)
}

export type ProblemReply = {
  readonly problem: { readonly code: ProblemCode; readonly sentence: string; readonly faults?: readonly PackFault[] }
}

/** What SQLite (“Result and Error Codes”) and the file system say of a disk, a folder or a database that cannot be used. */
const DISK_TROUBLES = [
  [/^SQLITE_(BUSY|LOCKED)/, 'databaseLocked'],
  [/^SQLITE_(CORRUPT|NOTADB)/, 'databaseDamaged'],
  [/^SQLITE_FULL|^ENOSPC$|^EDQUOT$/, 'diskFull'],
  [/^SQLITE_(READONLY|CANTOPEN|PERM)|^(EACCES|EROFS|EPERM)$/, 'folderReadOnly'],
  [/^SQLITE_IOERR|^EIO$/, 'diskFails'],
] as const

/** Any error as the reply a person can read; nothing of the inside leaks out. */
export function toProblem(error: unknown): Problem {
  if (error instanceof Problem) return error
  const code = String((error as { code?: unknown } | null)?.code ?? '')
  const trouble = DISK_TROUBLES.find(([pattern]) => pattern.test(code))?.[1]
  return new Problem(trouble ?? 'unexpected', { file: 'the data folder' }, { cause: error })
}

export function toReply(problem: Problem): ProblemReply {
  const faults = problem.faults.length > 0 ? { faults: problem.faults } : {}
  return { problem: { code: problem.code, sentence: problem.message, ...faults } }
}

/** An error as a problem; one that nobody foresaw is written down for whoever runs the application. */
export function reportProblem(error: unknown): Problem {
  const problem = toProblem(error)
  // Whoever goes away in the middle of what he sends is nobody's fault.
  const isGone = (error as { code?: unknown } | null)?.code === 'ECONNRESET'
  if (problem.code === 'unexpected' && !isGone) console.error(error)
  return problem
}

/** What a refusal is called; null for an error that is none. */
export function findProblemCode(error: unknown): ProblemCode | null {
  return error instanceof Problem ? error.code : null
}
