import 'fake-indexeddb/auto'
import { openDB } from 'idb'
import { nanoid } from 'nanoid'
import { afterEach, expect, test, vi } from 'vitest'
import type { LogRow } from '../../src/core/site'
import type { KeptRow, Outbox } from '../../src/ui/job/outbox'
import { browserOutbox } from '../../src/ui/job/outbox'
import { setText } from '../site'

/** Web Locks (W3C) as far as tabs ask for them: one at a time by name, in order, or at once where nobody has it. */
class Locks {
  private readonly queues = new Map<string, Promise<unknown>>()
  readonly request = async (name: string, ...given: readonly unknown[]): Promise<unknown> => {
    const then = given.at(-1) as (lock: object | null) => Promise<unknown>
    const isNow = (given[0] as { ifAvailable?: boolean }).ifAvailable === true
    const before = this.queues.get(name)
    if (before && isNow) return then(null)
    const held = (async () => {
      await before
      return then({ name })
    })()
    this.queues.set(name, held)
    return held.finally(() => this.queues.get(name) === held && this.queues.delete(name))
  }
}
vi.stubGlobal('navigator', { locks: new Locks() })

const open: Outbox[] = []
afterEach(() => open.splice(0).forEach((one) => one.close()))
const tab = (job: string, who: string): Outbox => {
  const made = browserOutbox(job, who)
  open.push(made)
  return made
}
const die = (one: Outbox): void => {
  open.splice(open.indexOf(one), 1)
  one.close()
}
let seq = 0
const row = (who: string | null, text: string): KeptRow => {
  const edit = setText('home.hero', 'heading', text)
  return { row: { id: nanoid(), gesture: nanoid(), who, undoes: null, edit, inverse: edit } as LogRow, seq: ++seq, sent: false }
}
const textsOf = (rows: readonly LogRow[]): unknown[] => rows.map(({ edit }) => (edit as unknown as { value: { text: string } }).value.text)
const adopt = async (one: Outbox): Promise<unknown[]> => textsOf((await one.adopt(() => undefined)).rows)

test('what a tab has left that is gone is taken over once, oldest first, by one tab alone', async () => {
  const job = nanoid()
  const first = tab(job, 'person:mara')
  const rows = [row('person:mara', 'one'), row('person:mara', 'two'), row('person:mara', 'three')]
  for (const one of [rows[2]!, rows[0]!, rows[1]!]) first.put(one)
  await first.settled()
  die(first)
  await vi.waitFor(async () => {
    const [second, third] = [tab(job, 'person:mara'), tab(job, 'person:mara')]
    const both = await Promise.all([adopt(second), adopt(third)])
    expect(both.flat()).toEqual(['one', 'two', 'three'])
    expect(Math.min(...both.map((texts) => texts.length))).toBe(0)
  })
})

test('a tab that lives keeps its own until it goes; then another that lives hears of it', async () => {
  const job = nanoid()
  const [mine, other] = [tab(job, 'person:mara'), tab(job, 'person:mara')]
  mine.put(row('person:mara', 'mine'))
  await mine.settled()
  const later = vi.fn<(rows: readonly LogRow[]) => void>()
  expect((await other.adopt(later)).rows).toEqual([])
  expect(later).not.toHaveBeenCalled()
  die(mine)
  await vi.waitFor(() => expect(later).toHaveBeenCalledTimes(1))
  expect(textsOf(later.mock.calls[0]![0])).toEqual(['mine'])
})

test('another person’s rows stay where they are until he is back; rows from before there were people are anybody’s', async () => {
  const job = nanoid()
  const theirs = tab(job, 'person:tom')
  theirs.put(row('person:tom', 'Tom’s'))
  theirs.put(row(null, 'nobody’s'))
  theirs.put(row('mR4x', 'a browser’s'))
  await theirs.settled()
  die(theirs)
  const mara = tab(job, 'person:mara')
  await vi.waitFor(async () => expect(await adopt(mara)).toEqual(['nobody’s', 'a browser’s']))
  const tom = tab(job, 'person:tom')
  expect(await adopt(tom)).toEqual(['Tom’s'])
})

test('rows are of their job alone; what the database has is gone, and what was given back stays until it is read', async () => {
  const [job, elsewhere] = [nanoid(), nanoid()]
  const first = tab(job, 'person:mara')
  const [kept, done] = [row('person:mara', 'kept'), row('person:mara', 'done')]
  for (const one of [kept, done]) first.put(one)
  first.remove([done.row.id])
  first.giveBack({ id: 'g1', sentence: 'Its place is gone.', words: ['lost words'] })
  first.giveBack({ id: 'g2', sentence: 'Read already.', words: [] })
  first.forget('g2')
  await first.settled()
  die(first)
  expect(await adopt(tab(elsewhere, 'person:mara'))).toEqual([])
  const next = tab(job, 'person:mara')
  await vi.waitFor(async () => {
    const { rows, givenBack } = await next.adopt(() => undefined)
    expect(textsOf(rows)).toEqual(['kept'])
    expect(givenBack).toEqual([{ id: 'g1', sentence: 'Its place is gone.', words: ['lost words'] }])
  })
})

test('what is asked before the browser’s own store is open is kept in the order of asking', async () => {
  const job = nanoid()
  const box = tab(job, 'person:mara')
  const one = row('person:mara', 'first')
  box.put(one)
  box.put({ ...one, sent: true })
  box.remove([nanoid()])
  await box.settled()
  const db = await openDB('instant-fit')
  const [stored] = (await db.getAllFromIndex('rows', 'job', job)) as { id: string; sent: boolean; seq: number }[]
  expect(stored).toMatchObject({ id: one.row.id, sent: true, seq: one.seq })
  db.close()
})
