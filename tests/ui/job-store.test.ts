import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { applyEdit, type Edit, type SectionId, type SiteDocument } from '../../src/core/site'
import { createJobStore, type JobStore } from '../../src/ui/job/job-store'
import type { SavedRow } from '../../src/ui/job/job-state'
import { testPack, testSite } from '../pack'

/** A server that keeps rows as the real one does, and can be silent, lose replies, or forget everything. */
class Server {
  rows: SavedRow[] = []
  mood: 'well' | 'silent' | 'loses replies' | 'knows nothing' = 'well'
  calls = 0
  constructor(public document: SiteDocument) {}

  write(id: string, edit: Edit, group = id, mark: SavedRow['mark'] = 'do'): void {
    const applied = applyEdit(this.document, edit)
    if (!applied.ok) throw new Error(applied.problem.code)
    this.document = applied.document
    this.rows.push({ id, edit, inverse: applied.inverse, group, mark, revision: this.rows.length + 1 })
  }

  fetch = async (url: string, init?: RequestInit): Promise<Response> => {
    this.calls++
    if (this.mood === 'silent') throw new TypeError('no answer')
    if (init?.method !== 'POST') return Response.json({ id: 'job', revision: this.rows.length, document: this.document, rows: this.rows, assets: {} })
    if (this.mood === 'knows nothing') {
      this.mood = 'well'
      return Response.json({ problem: { code: 'revisionUnknown', sentence: 'gone' } }, { status: 409 })
    }
    const { base, rows } = JSON.parse(String(init.body)) as { base: number; rows: SavedRow[] }
    for (const row of rows) if (!this.rows.some((r) => r.id === row.id)) this.write(row.id, row.edit, row.group, row.mark)
    if (this.mood === 'loses replies') {
      this.mood = 'well'
      throw new TypeError('lost')
    }
    return Response.json({ rows: this.rows.slice(base) })
  }
}

const heading = (text: string): Edit => ({ type: 'slot/set', section: 'home.hero' as SectionId, slot: 'heading', value: { type: 'text', text } })
const caption = (text: string): Edit => ({ type: 'slot/set', section: 'home.hero' as SectionId, slot: 'caption', value: { type: 'text', text } })
const shown = (document: SiteDocument, slot: string): unknown => document.pages[0]!.sections[0]!.slots[slot]

let server: Server
let store: JobStore
beforeEach(() => {
  vi.useFakeTimers()
  const { document } = testSite({ name: 'Store' })
  server = new Server(document)
  vi.stubGlobal('fetch', server.fetch)
  vi.stubGlobal('window', { addEventListener: () => undefined, removeEventListener: () => undefined })
  store = createJobStore({ id: 'job', revision: 0, document, rows: [], assets: {} }, testPack())
})
afterEach(() => {
  store.close()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const settle = (): Promise<void> => vi.advanceTimersByTimeAsync(20_000).then(() => undefined)

test('a change is on the screen at once, and called saved only when it is in the database', async () => {
  store.apply(heading('Now'))
  expect(shown(store.getState().document, 'heading')).toEqual({ type: 'text', text: 'Now' })
  expect(store.getState().saveState).toBe('saving')
  expect(server.rows).toHaveLength(0)
  await settle()
  expect(store.getState()).toMatchObject({ saveState: 'saved', revision: 1, pending: [] })
  expect(server.document).toEqual(store.getState().document)
})

test('keys typed in one place travel as one row', async () => {
  for (const text of ['W', 'Wo', 'Wor', 'Word']) store.apply(heading(text), 'typing')
  await settle()
  expect(server.rows.map((r) => r.edit)).toEqual([heading('Word')])
  store.undo()
  await settle()
  expect(shown(server.document, 'heading')).toBeUndefined()
})

test('while the server is silent nothing is called saved, and all of it arrives when it is back', async () => {
  server.mood = 'silent'
  store.apply(heading('In the dark'))
  store.apply(caption('Also'))
  await settle()
  expect(store.getState().saveState).toBe('waiting')
  expect(server.calls).toBeGreaterThan(2)
  server.mood = 'well'
  await settle()
  expect(store.getState().saveState).toBe('saved')
  expect(server.document).toEqual(store.getState().document)
})

test('a reply that was lost does no harm: the row is written once', async () => {
  server.mood = 'loses replies'
  store.apply(heading('Once'))
  await settle()
  expect(server.rows).toHaveLength(1)
  expect(store.getState()).toMatchObject({ saveState: 'saved', revision: 1 })
})

test('what another tab did comes under what is being typed here', async () => {
  store.apply(heading('Mine'))
  server.write('other-row', caption('Theirs'))
  await settle()
  expect(shown(store.getState().document, 'heading')).toEqual({ type: 'text', text: 'Mine' })
  expect(shown(store.getState().document, 'caption')).toEqual({ type: 'text', text: 'Theirs' })
  expect(server.document).toEqual(store.getState().document)
  store.undo()
  store.undo()
  await settle()
  expect(shown(server.document, 'heading')).toBeUndefined()
  expect(shown(server.document, 'caption')).toBeUndefined()
})

test('when the revision is gone, the job is fetched anew and the change made on that', async () => {
  server.write('before-row', caption('Newer'))
  server.mood = 'knows nothing'
  store.apply(heading('Kept'))
  await settle()
  expect(store.getState()).toMatchObject({ saveState: 'saved', revision: 2 })
  expect(shown(server.document, 'heading')).toEqual({ type: 'text', text: 'Kept' })
  expect(shown(store.getState().document, 'caption')).toEqual({ type: 'text', text: 'Newer' })
})

test('undo and redo say which edit they made, so that the screen can go there', () => {
  store.apply(heading('Here'))
  store.undo()
  expect(store.getState().stepped).toMatchObject({ type: 'slot/set', slot: 'heading', value: null })
  store.redo()
  expect(store.getState().stepped).toMatchObject({ value: { text: 'Here' } })
  expect(store.getState().stacks.redo).toEqual([])
})

test('a change to a place that is gone is refused and nothing is queued', () => {
  expect(store.apply({ type: 'slot/set', section: 'gone' as SectionId, slot: 'heading', value: null })).toBe(false)
  expect(store.getState().pending).toEqual([])
})
