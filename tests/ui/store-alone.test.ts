import { expect, test, vi } from 'vitest'
import type { Appended, HistoryPage, OpenJob, SavedRow } from '../../src/core/replies'
import { applyEdit, findSection, type Edit, type LogRow, type SiteDocument } from '../../src/core/site'
import { createJobStore, type JobStore } from '../../src/ui/job/job-store'
import type { Transport } from '../../src/ui/job/transport'
import { testSite } from '../pack'
import { edited, homeSections, setText } from '../site'

/** A store whose database says what a test has it say; nothing is sent but when it rings. */

const { document: start, pack } = testSite()
const hero = homeSections(start).find(({ kind }) => kind === 'hero')!
const heading = (text: string): Edit => setText(hero.id, 'heading', text)
const textIn = (document: SiteDocument): string => {
  const value = findSection(document, hero.id)?.slots.heading
  return value?.type === 'text' ? value.text : ''
}
const inverseOf = (document: SiteDocument, edit: Edit): Edit => {
  const applied = applyEdit(document, edit)
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied.inverse
}
const asset = (id: string) => ({
  id,
  hash: 'h',
  name: id,
  width: 1,
  height: 1,
  bytes: 1,
  vector: false,
  alpha: false,
  focus: { x: 0.5, y: 0.5 },
})

type Given = {
  readonly mayEdit?: boolean
  readonly document?: SiteDocument
  readonly history?: HistoryPage
  readonly older?: () => Promise<HistoryPage>
  readonly left?: readonly LogRow[]
}
type Hands = { readonly store: JobStore; readonly outbox: ReturnType<typeof outboxOf>; readonly transport: ReturnType<typeof lineOf> }

const outboxOf = (left: readonly LogRow[]) => ({
  put: vi.fn(),
  remove: vi.fn<(ids: readonly string[]) => void>(),
  giveBack: vi.fn(),
  forget: vi.fn(),
  adopt: vi.fn(async () => ({ rows: left, givenBack: [] })),
  settled: async () => undefined,
  close: vi.fn(),
})
const lineOf = (older: () => Promise<HistoryPage>) => ({
  append: vi.fn<Transport['append']>(),
  since: vi.fn<Transport['since']>(),
  open: vi.fn<Transport['open']>(),
  history: vi.fn(older),
  library: vi.fn<Transport['library']>(),
  leave: vi.fn(),
  tell: (() => undefined) as (revision: number | null) => void,
  published: (): void => undefined,
  stop: vi.fn(),
  follow(tell: (revision: number | null) => void, published: () => void) {
    this.tell = tell
    this.published = published
    return this.stop
  },
})

function openStore({ mayEdit = true, document = start, history, older, left = [] }: Given = {}): Hands & {
  readonly ring: () => Promise<void>
} {
  const job: OpenJob = {
    id: 'job',
    revision: history?.rows.at(-1)?.revision ?? 0,
    document,
    history: history ?? { rows: [], isFirst: true },
    assets: { mine: asset('mine') },
    library: 'l',
    missing: [],
  }
  const outbox = outboxOf(left)
  const transport = lineOf(older ?? (() => Promise.resolve({ rows: [], isFirst: true })))
  const waits: (() => void)[] = []
  const wait = (_: number, then: () => void): (() => void) => {
    waits.push(then)
    return () => void waits.splice(0)
  }
  const store = createJobStore(job, { pack, assets: {} }, { transport, outbox, who: 'me', mayEdit, wait })
  const ring = async (): Promise<void> => {
    waits.shift()?.()
    for (let i = 0; i < 30; i++) await Promise.resolve()
  }
  return { store, outbox, transport, ring }
}
const said = (part: Partial<Appended>): Appended => ({ revision: 0, rows: [], written: [], refused: [], library: 'l', ...part })
const rowOf = (id: string, revision: number, edit: Edit, inverse: Edit, { who = 'me', undoes = null as string | null } = {}): SavedRow => {
  return { id, revision, gesture: id, who, undoes, edit, inverse }
}
const pendingIds = (store: JobStore): readonly string[] => store.getState().pending.map(({ id }) => id)

test('who may only look changes nothing, and is told so', () => {
  const { store, outbox } = openStore({ mayEdit: false })
  expect(store.apply(heading('Mine'))).toBe(null)
  expect(store.getState()).toMatchObject({ pending: [], document: start, notice: expect.stringContaining('not change it') as string })
  expect(outbox.put).not.toHaveBeenCalled()
})

test('a row that was written before what is known here is waited for no longer', async () => {
  const { store, outbox, transport, ring } = openStore()
  transport.append.mockImplementation(async (_, __, rows) => said({ written: rows.map(({ id }) => id) }))
  store.apply(heading('Mine'))
  const [id] = pendingIds(store)
  expect(store.getState().saveState).toBe('saving')
  await ring()
  expect(pendingIds(store)).toEqual([])
  expect(outbox.remove).toHaveBeenCalledWith([id])
  expect(store.getState().saveState).toBe('saved')
})

test.each([
  ['workedOnSince', { notice: 'Why.', given: 0 }],
  ['takenBackAlready', { notice: null, given: 0 }],
  ['rowDiffers', { notice: null, given: 1 }],
  ['editRefused', { notice: null, given: 1 }],
])('a row that is refused for %s leaves, and its words are given back where they would be lost', async (code, wanted) => {
  const { store, outbox, transport, ring } = openStore()
  transport.append.mockImplementation(async (_, __, rows) =>
    said({ refused: rows.map(({ id }) => ({ id, problem: { code, sentence: 'Why.' } })) }),
  )
  store.apply(heading('Mine'))
  await ring()
  const { notice, givenBack, document, pending } = store.getState()
  expect({ notice, given: givenBack.length }).toEqual(wanted)
  expect([textIn(document), pending]).toEqual([textIn(start), []])
  expect(outbox.giveBack).toHaveBeenCalledTimes(wanted.given)
  if (wanted.given === 0) return
  expect(givenBack[0]).toMatchObject({ sentence: 'Why.', words: ['Mine'] })
  store.apply(heading('Mine too'))
  await ring()
  const [first, second] = store.getState().givenBack
  store.dismiss(first!.id)
  expect(store.getState().givenBack).toEqual([second])
  expect(outbox.forget.mock.calls).toEqual([[first!.id]])
})

test('what another tab left is made again here; what is written already goes, and refused it is there in a newer form', async () => {
  const mine = heading('Left')
  const left = [rowOf('left', 1, mine, inverseOf(start, mine)), rowOf('known', 1, mine, inverseOf(start, mine))]
  const history = { rows: [rowOf('known', 1, heading('Known'), inverseOf(start, heading('Known')))], isFirst: true }
  const { store, outbox, transport, ring } = openStore({ left, history, document: edited(start, heading('Known')) })
  await ring()
  expect(store.getState().pending).toMatchObject([{ id: 'left', sent: true, adopted: true, stuck: false }])
  expect(textIn(store.getState().document)).toBe('Left')
  expect(outbox.remove).toHaveBeenCalledWith(['known'])
  transport.append.mockResolvedValue(said({ revision: 1, refused: [{ id: 'left', problem: { code: 'rowDiffers', sentence: 'Why.' } }] }))
  await ring()
  expect(store.getState()).toMatchObject({ pending: [], givenBack: [] })
})

test('pictures, notices and publications are told to whoever looks', () => {
  const { store, transport } = openStore()
  store.addAsset(asset('new'))
  expect(Object.keys(store.getState().assets).sort()).toEqual(['mine', 'new'])
  store.setNotice('Look here.')
  expect(store.getState().notice).toBe('Look here.')
  store.setNotice(null)
  expect(store.getState().notice).toBe(null)
  transport.published()
  transport.published()
  expect(store.getState().publications).toBe(2)
  store.apply(heading('a\u0007b'))
  expect(store.getState().notice).toContain('control characters')
  expect(textIn(store.getState().document)).toBe('ab')
})

test('undo reaches for older pages of history, joins them to what is here, and says where it ends', async () => {
  const mine = heading('Mine')
  const document = edited(start, mine)
  const older = vi.fn(async () => ({ rows: [rowOf('mine', 1, mine, inverseOf(start, mine))], isFirst: true }))
  const theirs = setText(hero.id, 'caption', 'Theirs')
  const now = edited(document, theirs)
  const history = { rows: [rowOf('theirs', 2, theirs, inverseOf(document, theirs), { who: 'other' })], isFirst: false }
  const { store, transport } = openStore({ document: now, history, older })
  expect(store.getState().canUndo).toBe(true)
  await store.undo()
  expect(transport.history.mock.calls).toEqual([[2]])
  expect(store.getState().history.rows.map(({ id }) => id)).toEqual(['mine', 'theirs'])
  expect(textIn(store.getState().document)).toBe(textIn(start))
  expect(store.getState()).toMatchObject({ canUndo: false, canRedo: true, notice: null })
  await store.undo()
  expect(transport.history).toHaveBeenCalledTimes(1)
  // Nothing is held and nothing comes: it asks once, by the newest revision there is, and says nothing.
  const none = openStore({ history: { rows: [], isFirst: false } })
  await none.store.undo()
  expect(none.transport.history.mock.calls).toEqual([[1]])
  expect(none.store.getState()).toMatchObject({ notice: null, pending: [], history: { rows: [], isFirst: true } })
})

test('a named change that cannot be undone says why: too old, undone already, or built on since', async () => {
  const away = openStore({ history: { rows: [], isFirst: false }, older: () => Promise.reject(new Error('no answer')) })
  await away.store.undo('long ago')
  expect(away.store.getState().notice).toContain('too old to undo')
  const { store } = openStore()
  const gesture = store.apply(heading('Mine'))!
  await store.undo(gesture)
  expect(textIn(store.getState().document)).toBe(textIn(start))
  await store.undo(gesture)
  expect(store.getState().notice).toBe('This was undone already.')
})

test('beginning again keeps what waits, lets go of what is written, and shows what the database has', async () => {
  const { store, outbox, transport, ring } = openStore()
  store.apply(heading('First'))
  store.apply(setText(hero.id, 'caption', 'Second'))
  const [first, second] = store.getState().pending
  const theirs = edited(start, heading('First'))
  transport.append.mockRejectedValueOnce(new TypeError('a fault of our own')).mockImplementation(() => new Promise(() => undefined))
  vi.spyOn(console, 'error').mockImplementation(() => undefined)
  transport.open.mockResolvedValue({
    id: 'job',
    revision: 9,
    document: theirs,
    history: { rows: [rowOf(first!.id, 9, first!.edit, first!.inverse)], isFirst: false },
    assets: { theirs: asset('theirs') },
    library: 'l',
    missing: [],
  })
  await ring()
  expect(store.getState()).toMatchObject({ revision: 9, saved: theirs })
  expect(pendingIds(store)).toEqual([second!.id])
  expect(textIn(store.getState().document)).toBe('First')
  expect(Object.keys(store.getState().assets).sort()).toEqual(['mine', 'theirs'])
  expect(outbox.remove).toHaveBeenCalledWith([first!.id])
  vi.restoreAllMocks()
})

test('what others wrote comes under what waits; what comes twice counts once; a long history is cut where a gesture begins', async () => {
  const { store, transport, ring } = openStore()
  const theirs = heading('Theirs')
  const row = rowOf('theirs', 1, theirs, inverseOf(start, theirs), { who: 'other' })
  transport.since.mockResolvedValue(said({ revision: 1, rows: [row] }))
  transport.tell(1)
  await ring()
  transport.since.mockResolvedValue(said({ revision: 1, rows: [row] }))
  transport.tell(null)
  await ring()
  expect(store.getState()).toMatchObject({ revision: 1, history: { rows: [{ id: 'theirs' }] } })
  expect(textIn(store.getState().saved)).toBe('Theirs')
  const many = Array.from({ length: 700 }, (_, i): SavedRow => {
    const edit = heading(`word ${i}`)
    return { ...rowOf(`r${i}`, i + 2, edit, edit, { who: 'other' }), gesture: `g${Math.floor(i / 7)}` }
  })
  transport.since.mockResolvedValue(said({ revision: 701, rows: many }))
  transport.tell(701)
  await ring()
  const { history } = store.getState()
  expect(history.isFirst).toBe(false)
  expect(history.rows.length).toBeGreaterThanOrEqual(500)
  expect(history.rows.length).toBeLessThan(510)
  expect(history.rows.filter(({ gesture }) => gesture === history.rows[0]!.gesture)).toHaveLength(7)
})

test('a store that is closed lets go of its tab, its line and its outbox', () => {
  const { store, outbox, transport } = openStore()
  store.apply(heading('Mine'))
  store.close()
  expect(transport.leave).toHaveBeenCalledTimes(1)
  expect([outbox.close.mock.calls.length, transport.stop.mock.calls.length]).toEqual([1, 1])
})
