import { beforeAll, describe, expect, test } from 'vitest'
import * as v from 'valibot'
import { findSection, type Edit, type EntryId, type PageId, type SectionId, type SiteDocument } from '../../src/core/site'
import { editTo, wear } from '../../src/core/wear'
import { testPack, testSite } from '../pack'
import { setText } from '../site'
import { forgetMemory, ownDataFolder } from './log-fixture'

let log: typeof import('../../src/server/log/edit-log')
let jobs: typeof import('../../src/server/use-cases/make-job')
let edits: typeof import('../../src/server/use-cases/append-edits')
let rows: typeof import('../../src/server/store/log-rows')
let snapshots: typeof import('../../src/server/store/snapshots')
let database: typeof import('../../src/server/store/db')

beforeAll(async () => {
  ownDataFolder()
  ;[log, jobs, edits, rows, snapshots, database] = await Promise.all([
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/use-cases/append-edits'),
    import('../../src/server/store/log-rows'),
    import('../../src/server/store/snapshots'),
    import('../../src/server/store/db'),
  ])
})

const words = (text: string): Edit => setText('home.hero', 'heading', text)
let count = 0
const row = (edit: Edit, { id = `row-${++count}-aaaa`, gesture = 'g', undoes = null as string | null } = {}) => ({
  id,
  gesture,
  undoes,
  edit,
})
const make = (): string => jobs.createJob(testSite({ name: 'Log' }).document)
const heading = (document: SiteDocument): unknown =>
  (findSection(document, 'home.hero')!.slots.heading as { text: string } | undefined)?.text

test('rows are numbered, and a document replayed from disk is the one that was kept in memory', async () => {
  const job = make()
  for (let i = 0; i < 420; i++) log.appendRows(job, 'me', i, [row(words(`Version ${i}`))])
  const inMemory = log.jobState(job)
  expect(inMemory.revision).toBe(420)
  await new Promise((resolve) => setImmediate(resolve))
  expect(snapshots.findSnapshot(job)!.revision).toBe(400)
  forgetMemory('job-states')
  expect(log.jobState(job)).toEqual(inMemory)
  // A snapshot holds the state of its revision, and any revision can be had.
  expect(heading(snapshots.findSnapshot(job)!.document)).toBe('Version 399')
  expect(heading(log.stateAt(job, 17).document)).toBe('Version 16')
  expect(log.stateAt(job, 0).document).toEqual(testSite({ name: 'Log' }).document)
})

test('a snapshot that is damaged is passed over: the log gives the document back', async () => {
  const job = make()
  for (let i = 0; i < 200; i++) log.appendRows(job, 'me', i, [row(words(`Version ${i}`))])
  await new Promise((resolve) => setImmediate(resolve))
  const inMemory = log.jobState(job)
  database.db().prepare("UPDATE snapshot SET document = '{' WHERE job = ? AND revision = 200").run(job)
  forgetMemory('job-states')
  expect(log.jobState(job)).toEqual(inMemory)
})

describe('a row', () => {
  test('that is sent twice is written once, and its sender is told the same', () => {
    const job = make()
    const sent = row(words('Once'))
    const first = log.appendRows(job, 'me', 0, [sent])
    expect(log.appendRows(job, 'me', 0, [sent])).toEqual(first)
    expect(first.written).toEqual([sent.id])
    expect(log.jobState(job).revision).toBe(1)
  })

  test('that comes again with other words is not taken for the first', () => {
    const job = make()
    const sent = row(words('First'))
    log.appendRows(job, 'me', 0, [sent])
    const { refused, written } = log.appendRows(job, 'me', 0, [{ ...sent, edit: words('Typed on') }])
    expect(refused.map((r) => r.problem.code)).toEqual(['rowDiffers'])
    expect(written).toEqual([])
    expect(heading(log.jobState(job).document)).toBe('First')
  })

  test('that was written long before is told as written, though nothing new came', () => {
    const job = make()
    const old = row(words('Old'))
    log.appendRows(job, 'me', 0, [old, row(words('Newer'))])
    expect(log.appendRows(job, 'me', 2, [old])).toMatchObject({ written: [old.id], rows: [], refused: [], revision: 2 })
  })

  test('has a name that is its job’s own: another job’s row of that name is another row', () => {
    const [one, two] = [make(), make()]
    const sent = row(words('In both'))
    log.appendRows(one, 'me', 0, [sent])
    expect(log.appendRows(two, 'me', 0, [sent]).written).toEqual([sent.id])
    expect(heading(log.jobState(two).document)).toBe('In both')
  })

  test('that does not fit is refused by itself, in words; those before and after it are written', () => {
    const job = make()
    const gone = row(setText('nowhere', 'heading', 'Lost?'))
    const { refused, rows: told } = log.appendRows(job, 'me', 0, [
      row(words('before')),
      gone,
      row(setText('home.hero', 'caption', 'after')),
    ])
    expect(refused).toMatchObject([
      { id: gone.id, problem: { code: 'editRefused', sentence: expect.stringContaining('section it was made in is gone') } },
    ])
    expect(told.map((r) => r.revision)).toEqual([1, 2])
    expect(findSection(log.jobState(job).document, 'home.hero')!.slots).toMatchObject({
      heading: { text: 'before' },
      caption: { text: 'after' },
    })
  })

  test('that asks for a design or a template that is not here is refused before it is written', () => {
    const job = make()
    const code = (edit: Edit): string | undefined => log.appendRows(job, 'me', 0, [row(edit)]).refused[0]?.problem.code
    expect(code({ type: 'section/set', section: 'home.hero' as SectionId, part: 'design', value: 'unheard-of' })).toBe('designUnknown')
    expect(code({ type: 'section/set', section: 'home.hero' as SectionId, part: 'design', value: 'constructor' })).toBe('designUnknown')
    expect(code({ type: 'dress/set', part: 'template', value: 'gone' })).toBe('designUnknown')
    expect(log.jobState(job).revision).toBe(0)
  })

  test('keeps who it was, its gesture, and what it takes back', () => {
    const job = make()
    log.appendRows(job, 'me', 0, [row(words('x'), { gesture: 'g1' })])
    log.appendRows(job, 'me', 1, [row(setText('home.hero', 'heading', 'y'), { gesture: 'u1', undoes: 'g1' })])
    expect(rows.rowsSince(job, 0).map(({ who, gesture, undoes }) => [who, gesture, undoes])).toEqual([
      ['me', 'g1', null],
      ['me', 'u1', 'g1'],
    ])
  })

  test('that takes back what is taken back already is refused; once that is brought back, it is not', () => {
    const job = make()
    const take = (gesture: string, undoes: string): string | undefined =>
      log.appendRows(job, 'me', log.jobState(job).revision, [row({ type: 'batch', edits: [] }, { gesture, undoes })]).refused[0]?.problem
        .code
    log.appendRows(job, 'me', 0, [row(words('x'), { gesture: 'g1' })])
    expect(take('u1', 'g1')).toBeUndefined()
    expect(take('u2', 'g1')).toBe('takenBackAlready')
    expect(take('r1', 'u1')).toBeUndefined()
    expect(take('u3', 'g1')).toBeUndefined()
  })
})

describe('what cannot be written is said in words', () => {
  const id = (section: string): SectionId => section as SectionId
  const page = (document: SiteDocument, name: string, segment: string) => ({
    ...Object.values(document.pages)[0]!,
    id: name as PageId,
    rank: 'b00',
    segment,
  })
  const job = make
  const said = (edit: (document: SiteDocument) => Edit, before: readonly Edit[] = []): string => {
    const made = job()
    log.appendRows(
      made,
      'me',
      0,
      before.map((one) => row(one)),
    )
    const { document, revision } = log.jobState(made)
    const { refused, rows: told } = log.appendRows(made, 'me', revision, [row(edit(document))])
    expect(told).toEqual([])
    return refused[0]?.problem.sentence ?? ''
  }
  const remove = (name: string): Edit => ({ type: 'page/remove', page: name as PageId })

  type Case = { readonly says: string; readonly edit: (document: SiteDocument) => Edit; readonly before?: readonly Edit[] }
  const cases: readonly Case[] = [
    { says: 'the section it was made in is gone', edit: () => setText('nowhere', 'heading', 'x') },
    { says: 'the page it was made on is gone', edit: () => ({ type: 'page/set', page: 'nowhere' as PageId, part: 'name', value: 'x' }) },
    {
      says: 'the entry it was made in is gone',
      edit: () => ({ type: 'entry/move', section: id('home.services'), entry: { list: 'items', id: 'none' as EntryId }, rank: 'a0' }),
    },
    {
      says: 'there is a page at “/about/” already',
      edit: () => ({ type: 'page/set', page: 'services' as PageId, part: 'segment', value: 'about' }),
    },
    {
      says: 'a site keeps at least one page',
      edit: (document) => remove(Object.keys(document.pages)[0]!),
      before: ['about', 'services', 'prices', 'gallery', 'contact', 'landing', 'legal'].map(remove),
    },
    {
      says: 'there are as many sections as fit already',
      edit: ({ sections }) => ({
        type: 'batch',
        edits: Array.from({ length: 200 }, (_, i) => ({
          type: 'section/insert' as const,
          section: { ...sections['home.hero']!, id: id(`s${i}`) },
        })),
      }),
    },
    { says: 'it was made already', edit: (document) => ({ type: 'page/insert', page: page(document, 'about', 'other') }) },
    { says: 'its place takes something else', edit: () => setText('home.hero', 'nothing-of-the-kind', 'x') },
    { says: 'its place takes something else', edit: () => setText('home.hero', 'picture', 'words') },
  ]
  test.each(cases)('$says', ({ says, edit, before }) => {
    expect(said(edit, before)).toContain(says)
  })

  test('that something made later stands on what is to be taken back', () => {
    const made = job()
    const at = (): number => log.jobState(made).revision
    const base = Object.values(log.jobState(made).document.pages)[0]!
    const insert: Edit = { type: 'page/insert', page: { ...base, id: 'new' as PageId, rank: 'b00', segment: 'new' } }
    log.appendRows(made, 'me', 0, [row(insert, { gesture: 'page' })])
    log.appendRows(made, 'you', at(), [row({ type: 'page/set', page: 'new' as PageId, part: 'name', value: 'Ours' }, { gesture: 'name' })])
    const take = () => log.appendRows(made, 'me', at(), [row({ type: 'batch', edits: [] }, { gesture: 'undo', undoes: 'page' })])
    expect(take().refused[0]?.problem.code).toBe('workedOnSince')
    expect(log.jobState(made).document.pages.new).toBeDefined()
    const never = log.appendRows(made, 'me', at(), [row({ type: 'batch', edits: [] }, { gesture: 'undo', undoes: 'never' })])
    expect(never.refused[0]?.problem.code).toBe('takenBackAlready')
  })

  test('that a job without a first state cannot be read, and which row of a damaged one cannot', () => {
    const damaged = job()
    log.appendRows(damaged, 'me', 0, [row(words('x'))])
    database.db().prepare('DELETE FROM snapshot WHERE job = ?').run(damaged)
    forgetMemory('job-states')
    expect(() => log.jobState(damaged)).toThrow(/jobDamaged|cannot be/)
    expect(() => log.stateAt(damaged, 1)).toThrow(expect.objectContaining({ code: 'jobDamaged' }))
    const { document } = testSite({ name: 'Log' })
    snapshots.writeSnapshot(damaged, { revision: 0, document: { ...document, sections: {} } })
    expect(() => log.jobState(damaged)).toThrow(`Row 1 of job ${damaged} cannot be replayed: sectionGone`)
  })
})

test('what is said in the name of a gesture that was taken back is a gesture of its own, also when it is sent again', () => {
  const job = make()
  log.appendRows(job, 'me', 0, [row(words('x'), { gesture: 'typing' })])
  log.appendRows(job, 'me', 1, [row({ type: 'batch', edits: [] }, { gesture: 'undo', undoes: 'typing' })])
  const late = row(words('typed on'), { gesture: 'typing' })
  log.appendRows(job, 'me', 2, [late])
  expect(rows.rowsSince(job, 2)).toMatchObject([{ gesture: late.id, undoes: null }])
  expect(log.appendRows(job, 'me', 2, [late])).toMatchObject({ written: [late.id], refused: [] })
  const code = (sent: typeof late): string | undefined => log.appendRows(job, 'me', 2, [sent]).refused[0]?.problem.code
  const plain = row(words('plain'), { gesture: 'plain' })
  log.appendRows(job, 'me', 3, [plain])
  expect(code({ ...plain, gesture: 'another' })).toBe('rowDiffers')
  expect(code({ ...late, undoes: 'typing' })).toBe('rowDiffers')
  expect(code({ ...late, edit: words('else') })).toBe('rowDiffers')
})

test('a taking back that is sent again is known by what it takes back, whatever it reckoned', () => {
  const job = make()
  log.appendRows(job, 'me', 0, [row(words('x'), { gesture: 'g' })])
  const sent = row(setText('home.hero', 'heading', 'y'), { gesture: 'undo', undoes: 'g' })
  log.appendRows(job, 'me', 1, [sent])
  expect(log.appendRows(job, 'me', 1, [{ ...sent, edit: words('reckoned otherwise') }])).toMatchObject({ written: [sent.id], refused: [] })
})

test('a job that lacks a design already can be worked on; only what asks for another is refused', () => {
  const { document } = testSite({ name: 'Log' })
  const odd = { ...document.sections['about.story']!, design: 'lost' }
  const job = jobs.createJob({ ...document, sections: { ...document.sections, 'about.story': odd } })
  const code = (...edits: Edit[]): string | null =>
    log.appendRows(job, 'me', log.jobState(job).revision, [row(edits.length === 1 ? edits[0]! : { type: 'batch', edits: edits as never })])
      .refused[0]?.problem.code ?? null
  const set = (part: 'tone' | 'design', value: string): Edit =>
    ({ type: 'section/set', section: 'home.hero' as SectionId, part, value }) as Edit
  expect(code(set('tone', 'ink'))).toBeNull()
  expect(code(words('x'), set('design', 'unheard-of'))).toBe('designUnknown')
  expect(code({ type: 'section/insert', section: { ...odd, id: 'new' as SectionId, design: 'unheard-of' } })).toBe('designUnknown')
  const { refused } = log.appendRows(job, 'me', log.jobState(job).revision, [row(set('design', 'unheard-of'))])
  expect(refused[0]?.problem.sentence).toContain('hero/unheard-of')
})

test('a row has a name that can stand in an address, a gesture and an edit, and nothing else', () => {
  const good = { id: 'abcdefgh', gesture: 'g', undoes: null, edit: words('x') }
  const takes = (part: object): boolean => v.safeParse(log.sentRowSchema, { ...good, ...part }).success
  for (const id of ['abcdefgh', 'A_-45678', 'x'.repeat(40)]) expect(takes({ id }), id).toBe(true)
  for (const id of ['abcdefg', 'x'.repeat(41), ' abcdefgh', 'abcdefgh ', 'abcd efgh', 'abc/defgh']) expect(takes({ id }), id).toBe(false)
  for (const part of [{ gesture: '' }, { gesture: 'x'.repeat(81) }, { undoes: 'x'.repeat(81) }, { undoes: 1 }, { more: 1 }, { edit: {} }])
    expect(takes(part)).toBe(false)
  expect(takes({ gesture: 'x'.repeat(80), undoes: 'x'.repeat(80) })).toBe(true)
})

test('who is behind by the most that a reply brings gets it all; by one more, nothing', () => {
  const job = make()
  for (let i = 0; i < 4; i++)
    log.appendRows(
      job,
      'me',
      i * 500,
      Array.from({ length: 500 }, (_, n) => row(words(`${i} ${n}`))),
    )
  expect(log.appendRows(job, 'me', 0, []).rows).toHaveLength(log.MOST_BEHIND)
  log.appendRows(job, 'me', 2000, [row(words('one more'))])
  expect(log.appendRows(job, 'me', 0, []).rows).toEqual([])
  expect(log.appendRows(job, 'me', 1, []).rows).toHaveLength(log.MOST_BEHIND)
})

test('an edit on an older revision goes on top of what others did, and both are told', () => {
  const job = make()
  log.appendRows(job, 'you', 0, [row(words('Theirs'))])
  const told = log.appendRows(job, 'me', 0, [row({ type: 'fact/set', fact: 'phone', value: '01632 960000' })])
  expect(told.rows.map((r) => r.revision)).toEqual([1, 2])
  expect(log.jobState(job).document.facts.phone).toEqual({ value: '01632 960000' })
})

test('a revision that is not known is refused whole; one that is far behind is told to open anew', () => {
  const job = make()
  expect(() => log.appendRows(job, 'me', 7, [row(words('x'))])).toThrow(/revision 7/)
  for (let i = 0; i < 5; i++)
    log.appendRows(
      job,
      'me',
      i * 500,
      Array.from({ length: 500 }, (_, n) => row(words(`${i} ${n}`))),
    )
  expect(edits.editsSince(job, 0)).toMatchObject({ revision: 2500, rows: [] })
  expect(edits.editsSince(job, 2490).rows).toHaveLength(10)
})

test('history comes a page at a time, and no gesture in part', () => {
  const job = make()
  const gestures = ['a', 'a', 'b', 'a', 'c', 'c', 'd', 'd', 'e', 'f']
  gestures.forEach((gesture, i) => log.appendRows(job, 'me', i, [row(words(`w${i}`), { gesture })]))
  expect(rows.historyPage(job, 10, 3, 1e6)).toMatchObject({
    isFirst: false,
    rows: [{ revision: 7 }, { revision: 8 }, { revision: 9 }, { revision: 10 }],
  })
  expect(rows.historyPage(job, 6, 3, 1e6)).toMatchObject({ isFirst: true, rows: { length: 6 } })
  expect(rows.historyPage(job, 10, 99, 1).rows.map((r) => r.revision)).toEqual([10])
  expect(rows.historyPage(make(), 0, 9, 1e6)).toEqual({ rows: [], isFirst: true })
})

test('the log cannot be rewritten, even by hand', () => {
  const job = make()
  log.appendRows(job, 'me', 0, [row(words('Kept'))])
  expect(() => database.db().prepare('DELETE FROM log_row').run()).toThrow('append-only')
  expect(() => database.db().prepare("UPDATE log_row SET gesture = 'x'").run()).toThrow('append-only')
})

test('whoever watches a job hears of each revision, until they stop', () => {
  const job = make()
  const heard: number[] = []
  const stop = log.watchJob(job, (revision) => heard.push(revision))
  log.appendRows(job, 'me', 0, [row(words('a')), row(words('b'))])
  log.appendRows(job, 'me', 2, [row(setText('gone', 'heading', 'x'))])
  stop()
  log.appendRows(job, 'me', 2, [row(words('c'))])
  expect(heard).toEqual([2])
})

test('another template, replayed from disk with what was written under it, is the document that was kept in memory', () => {
  const job = make()
  const now = (): SiteDocument => log.jobState(job).document
  const put = (template: string): Edit => editTo(now(), wear(testPack(), now(), template))
  log.appendRows(job, 'me', 0, [row(words('Stays'))])
  log.appendRows(job, 'me', 1, [row(put('gantry'))])
  log.appendRows(job, 'me', 2, [row(words('Changed there'))])
  log.appendRows(job, 'me', 3, [row(put('tallow'))])
  const inMemory = log.jobState(job)
  forgetMemory('job-states')
  expect(log.jobState(job)).toEqual(inMemory)
  expect(inMemory.document.dress.template).toBe('tallow')
  expect(heading(inMemory.document)).toBe('Changed there')
})

test('two hands that add an entry each both have theirs', () => {
  const job = make()
  const add = (id: string): Edit => ({
    type: 'entry/insert',
    section: 'home.services' as SectionId,
    entry: { list: 'items', id: id as EntryId },
    rank: 'a9',
    slots: {},
  })
  log.appendRows(job, 'me', 0, [row(add('mine'))])
  log.appendRows(job, 'you', 0, [row(add('yours'))])
  expect(Object.keys(log.jobState(job).document.entries).sort()).toEqual(['mine', 'yours'])
})
