import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { beforeAll, expect, test } from 'vitest'
import { arrangementOf, type Edit, type SectionId } from '../../src/core/site'
import { wear } from '../../src/core/wear'
import { testPack } from '../pack'

let log: typeof import('../../src/server/edit-log')
let jobs: typeof import('../../src/server/jobs')
let database: typeof import('../../src/server/db')

beforeAll(async () => {
  process.env.INSTANT_FIT_DATA = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  ;[log, jobs, database] = await Promise.all([import('../../src/server/edit-log'), import('../../src/server/jobs'), import('../../src/server/db')])
})

const words = (text: string): Edit => ({ type: 'slot/set', section: 'home.hero' as SectionId, slot: 'heading', value: { type: 'text', text } })
let count = 0
const row = (edit: Edit, id = `row-${++count}-aaaa`): import('../../src/server/edit-log').SentRow => ({ id, edit, group: 'g', mark: 'do' })
const make = (): string => jobs.createJob('tallow', { name: 'Log' }, {}).id

test('rows are numbered, and a document replayed from disk is the one that was kept in memory', () => {
  const job = make()
  for (let i = 0; i < 120; i++) log.appendRows(job, i, [row(words(`Version ${i}`))])
  const inMemory = log.jobState(job)
  expect(inMemory.revision).toBe(120)
  ;(globalThis as { instantFitKept?: Map<string, unknown> }).instantFitKept?.delete('job-states')
  expect(log.jobState(job)).toEqual(inMemory)
  expect(jobs.findSnapshot(job).revision).toBe(100)
})

test('a row that is sent twice is written once, and its sender is told the same', () => {
  const job = make()
  const sent = row(words('Once'))
  const first = log.appendRows(job, 0, [sent])
  expect(log.appendRows(job, 0, [sent])).toEqual(first)
  expect(log.jobState(job).revision).toBe(1)
})

test('an edit on an older revision goes on top of what others did, and both are told', () => {
  const job = make()
  log.appendRows(job, 0, [row(words('Theirs'))])
  const told = log.appendRows(job, 0, [row({ type: 'fact/set', fact: 'phone', value: '01632 960000' })])
  expect(told.map((r) => r.revision)).toEqual([1, 2])
  expect(log.jobState(job).document.facts.phone).toBe('01632 960000')
})

test('an edit on a revision that is not known, or to a place that is gone, is refused whole', () => {
  const job = make()
  expect(() => log.appendRows(job, 7, [row(words('x'))])).toThrow(/revision 7/)
  const gone: Edit = { type: 'slot/set', section: 'nowhere' as SectionId, slot: 'heading', value: null }
  expect(() => log.appendRows(job, 0, [row(words('first')), row(gone)])).toThrow(/nowhere/)
  expect(log.jobState(job).revision).toBe(0)
  expect(log.rowsSince(job, 0)).toEqual([])
})

test('the log cannot be rewritten, even by hand', () => {
  const job = make()
  log.appendRows(job, 0, [row(words('Kept'))])
  expect(() => database.db().prepare('DELETE FROM edit').run()).toThrow('append-only')
  expect(() => database.db().prepare("UPDATE edit SET gesture = 'x'").run()).toThrow('append-only')
})

test('whoever watches a job hears of each revision, until they stop', () => {
  const job = make()
  const heard: number[] = []
  const stop = log.watchJob(job, (revision) => heard.push(revision))
  log.appendRows(job, 0, [row(words('a')), row(words('b'))])
  stop()
  log.appendRows(job, 2, [row(words('c'))])
  expect(heard).toEqual([2])
})

test('a database newer than the application is refused', () => {
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'instant-fit-')), 'newer.sqlite')
  database.openDb(file).pragma('user_version = 99')
  expect(() => database.openDb(file)).toThrow(/version 99/)
})

test('a design or a template that is not here is refused before it is written, and every page still opens', () => {
  const job = make()
  const refused = (edit: Edit): string => {
    try {
      log.appendRows(job, 0, [row(edit)])
      return 'written'
    } catch (error) {
      return (error as { code: string }).code
    }
  }
  expect(refused({ type: 'section/set', section: 'home.hero' as SectionId, part: 'design', value: 'unheard-of' })).toBe('designUnknown')
  expect(refused({ type: 'arrange', to: { ...arrangementOf(log.jobState(job).document), template: 'gone' } })).toBe('designUnknown')
  expect(log.jobState(job).revision).toBe(0)
})

test('another template, replayed from disk with what was written under it, is the document that was kept in memory', () => {
  const job = make()
  const put = (template: string): Edit => wear(testPack(), log.jobState(job).document, template)
  log.appendRows(job, 0, [row(words('Stays'))])
  log.appendRows(job, 1, [row(put('gantry'))])
  log.appendRows(job, 2, [row(words('Changed there'))])
  log.appendRows(job, 3, [row(put('tallow'))])
  const inMemory = log.jobState(job)
  ;(globalThis as { instantFitKept?: Map<string, unknown> }).instantFitKept?.delete('job-states')
  expect(log.jobState(job)).toEqual(inMemory)
  expect(inMemory.document.template).toBe('tallow')
  expect(inMemory.document.pages[0]!.sections[0]!.slots.heading).toEqual({ type: 'text', text: 'Changed there' })
})
