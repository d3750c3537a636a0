import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync } from 'node:fs'
import path from 'node:path'
import type { CheckReport, Finding } from '../../core/replies'
import { factsOf, readDocument } from '../../core/site'
import { hashOf } from '../files/blobs'
import { cacheFolder, dataFolder, namesIn } from '../files/data-folder'
import { kept } from '../files/kept'
import { isMadeWhole } from '../files/made'
import { forgetState, jobState, stateAt } from '../log/edit-log'
import { keptContents } from '../releases/collect-garbage'
import { db, sql } from '../store/db'
import { keptLines } from '../store/job-lines'
import { listJobs } from '../store/jobs'

/** Things looked at, a finding for each that is not well; between two of them others are answered. */
type Looking = Generator<Finding | null>

const last = (): { report: CheckReport | null } => kept('check-report', () => ({ report: null }))

/** What was found when it was last looked. */
export function lastCheck(): CheckReport | null {
  return last().report
}

/**
 * Looks through everything that is kept, and mends what can be: a snapshot comes back out of the log, what was made is made again when it
 * is asked for, and what is torn and cannot be had again is set aside and named, so that it is asked for instead of shown.
 */
export async function checkAndRepair(): Promise<CheckReport> {
  const findings: Finding[] = []
  let looked = 0
  for (const look of [databaseFaults, jobFaults, assetFaults, fontFaults, contentFaults, madeFaults])
    for (const found of look()) {
      looked++
      if (found) findings.push(found)
      if (looked % 20 === 0) await new Promise((resolve) => setImmediate(resolve))
    }
  const report = { at: new Date().toISOString(), looked, findings, bytes: bytesKept() }
  last().report = report
  for (const { about, name, what, done } of findings) console.error(`Check: ${about} ${name}: ${what} (${done})`)
  return report
}

function* databaseFaults(): Looking {
  for (const { quick_check: said } of db().pragma('quick_check(5)') as { quick_check: string }[])
    yield said === 'ok'
      ? null
      : { about: 'database', name: 'instant-fit.sqlite', what: `${said}. Pack what can be read and put a copy back.`, done: 'left' }
}

/** Each job by itself: one that cannot be read keeps no other from being looked at. */
function* jobFaults(): Looking {
  for (const { id } of listJobs()) {
    const name = keptLines().get(id)?.name ?? id
    const torn = tornSnapshots(id)
    for (const revision of torn) yield { about: 'job', name, ...mendSnapshot(id, revision) }
    try {
      if (torn.length > 0) forgetState(id)
      factsOf(jobState(id).document)
      yield null
    } catch {
      yield { about: 'job', name, what: 'what is kept of it cannot be read; the others are not touched by it', done: 'left' }
    }
  }
}

function tornSnapshots(job: string): readonly number[] {
  return sql<[string], { revision: number; document: string }>('SELECT revision, document FROM snapshot WHERE job = ? ORDER BY revision')
    .all(job)
    .filter(({ document }) => !canBeRead(document))
    .map(({ revision }) => revision)
}

function canBeRead(document: string): boolean {
  try {
    readDocument(JSON.parse(document))
    return true
  } catch {
    return false
  }
}

/** Makes a snapshot anew out of an earlier one and the log, where there is an earlier one. */
function mendSnapshot(job: string, revision: number): Pick<Finding, 'what' | 'done'> {
  try {
    const { document } = stateAt(job, revision)
    sql('UPDATE snapshot SET document = ?, format = ? WHERE job = ? AND revision = ?').run(
      JSON.stringify(document),
      document.format,
      job,
      revision,
    )
    return { what: `its state at revision ${revision} was damaged, and was made again from its log`, done: 'mended' }
  } catch {
    return { what: `its state at revision ${revision} is damaged, and nothing before it is kept`, done: 'left' }
  }
}

function* assetFaults(): Looking {
  const assets = sql<[], { name: string; hash: string; type: string }>('SELECT name, hash, type FROM asset').all()
  for (const { name, hash, type } of assets) {
    const file = dataFolder('media', `${hash}.${type}`)
    const fault = faultOf(file, (bytes) => hashOf(bytes) === hash)
    yield (
      fault && { about: 'picture', name, what: `its file is ${fault}; choose it again and it is whole everywhere`, done: setAside(file) }
    )
  }
}

function* fontFaults(): Looking {
  for (const name of namesIn(dataFolder('media'))) {
    const [, hash] = /^own-([0-9a-f]{20})\./.exec(name) ?? []
    if (hash === undefined) continue
    const file = dataFolder('media', name)
    const fault = faultOf(file, (bytes) => hashOf(bytes).startsWith(hash))
    yield fault && { about: 'font', name, what: `its file is ${fault}; choose it again in the brand`, done: setAside(file) }
  }
}

/** Contents of releases: one that is torn is made again when the site is published, and an earlier release says that it lacks it. */
function* contentFaults(): Looking {
  for (const { file, hash } of keptContents()) {
    const fault = faultOf(file, (bytes) => hashOf(bytes) === hash)
    yield (
      fault && {
        about: 'release',
        name: hash.slice(0, 12),
        what: `a file of a release is ${fault}; it is made again`,
        done: setAside(file),
      }
    )
  }
}

/** What was made from a recipe, and files that were being written when the power went. */
function* madeFaults(): Looking {
  const made = ['variants', 'fonts'].map((folder) => ({ folder: cacheFolder(folder), isMade: true }))
  const given = ['media', 'blobs'].map((folder) => ({ folder: dataFolder(folder), isMade: false }))
  for (const { folder, isMade } of [...made, ...given])
    for (const name of namesBelow(folder)) {
      const file = path.join(folder, name)
      if (!name.endsWith('.part') && (!isMade || isMadeWhole(file))) continue
      rmSync(file, { force: true })
      yield name.endsWith('.part')
        ? null
        : { about: 'file', name, what: 'what was made is damaged; it is made again when it is asked for', done: 'mended' }
    }
}

function faultOf(file: string, isWhole: (bytes: Buffer) => boolean): 'gone' | 'damaged' | null {
  if (!statSync(file, { throwIfNoEntry: false })?.isFile()) return 'gone'
  return isWhole(readFileSync(file)) ? null : 'damaged'
}

/** Takes a damaged file out of the way, so that nothing takes it for whole; it can still be looked at by hand. */
function setAside(file: string): Finding['done'] {
  if (!statSync(file, { throwIfNoEntry: false })) return 'left'
  mkdirSync(dataFolder('set-aside'), { recursive: true })
  renameSync(file, dataFolder('set-aside', path.basename(file)))
  return 'set aside'
}

function namesBelow(folder: string): readonly string[] {
  if (!statSync(folder, { throwIfNoEntry: false })?.isDirectory()) return []
  return (readdirSync(folder, { recursive: true, withFileTypes: true }) ?? [])
    .filter((entry) => entry.isFile())
    .map((entry) => path.relative(folder, path.join(entry.parentPath, entry.name)))
}

/** What the data folder takes, but for what other programs keep beside. */
function bytesKept(): number {
  const sizeOf = (file: string): number => statSync(file, { throwIfNoEntry: false })?.size ?? 0
  const inFolder = (folder: string): number => namesBelow(folder).reduce((sum, name) => sum + sizeOf(path.join(folder, name)), 0)
  const folders = [
    ...['media', 'blobs', 'packs', 'set-aside'].map((folder) => dataFolder(folder)),
    ...['variants', 'fonts'].map((folder) => cacheFolder(folder)),
  ]
  return sizeOf(dataFolder('instant-fit.sqlite')) + folders.reduce((sum, folder) => sum + inFolder(folder), 0)
}
