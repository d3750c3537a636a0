import { openDB, type DBSchema, type IDBPDatabase, type IDBPObjectStore } from 'idb'
import { nanoid } from 'nanoid'
import type { LogRow } from '@/core/site'
import type { GivenBack } from './job-state'
import { tabLife, type TabLife } from './tab-life'

/** A row that is kept until the database has it: which tab's it is, and in which order it was made. */
export type KeptRow = { readonly row: LogRow; readonly seq: number; readonly sent: boolean }

/** What is not in the database yet, and what could not be kept there, in a place that outlives the browser. */
export type Outbox = {
  readonly put: (kept: KeptRow) => void
  readonly remove: (ids: readonly string[]) => void
  readonly giveBack: (given: GivenBack) => void
  readonly forget: (id: string) => void
  /** Takes over what tabs that are gone have left, oldest first, and tells what was given back before; `later` hears of tabs that go. */
  readonly adopt: (later: (rows: readonly LogRow[]) => void) => Promise<{
    readonly rows: readonly LogRow[]
    readonly givenBack: readonly GivenBack[]
  }>
  /** Resolves once everything asked so far is kept. */
  readonly settled: () => Promise<void>
  readonly close: () => void
}

type StoredRow = KeptRow & { readonly id: string; readonly job: string; readonly tab: string }
interface Kept extends DBSchema {
  rows: { key: string; value: StoredRow; indexes: { job: string } }
  'given-back': { key: string; value: GivenBack & { readonly job: string }; indexes: { job: string } }
}

type KeptStore<S extends 'rows' | 'given-back'> = IDBPObjectStore<Kept, ['rows' | 'given-back'], S, 'readwrite'>

/**
 * The outbox of somebody’s browser: IndexedDB. What another has left here waits until he is back. What a tab has left that is gone is
 * taken over by one that lives.
 */
export function browserOutbox(job: string, who: string): Outbox {
  const tab = nanoid(12)
  const opened = open()
  let ready: IDBPDatabase<Kept> | null = null
  const tell = (error: unknown): void => console.error('The outbox could not be written', error)
  let last: Promise<unknown> = opened.then((db) => (ready = db)).catch(tell)
  /** Asks and commits in one breath, in the order of asking, so that a tab that crashes the next moment has kept its words. */
  const keep = <S extends 'rows' | 'given-back'>(name: S, ask: (store: KeptStore<S>) => Promise<unknown>[]): void => {
    const asked = (db: IDBPDatabase<Kept>): Promise<unknown> => {
      const transaction = db.transaction(name, 'readwrite')
      const asks = ask(transaction.objectStore(name))
      transaction.commit()
      return Promise.all([...asks, transaction.done])
    }
    last = Promise.all([last, ready ? asked(ready) : opened.then(asked)]).catch(tell)
  }
  const life = tabLife()
  const release = life.live(tab)
  return {
    put: (kept) => keep('rows', (rows) => [rows.put({ ...kept, id: kept.row.id, job, tab })]),
    remove: (ids) => keep('rows', (rows) => ids.map((id) => rows.delete(id))),
    giveBack: (given) => keep('given-back', (store) => [store.put({ ...given, job })]),
    forget: (id) => keep('given-back', (store) => [store.delete(id)]),
    adopt: async (later) => {
      const db = await opened
      const rows = await adoptRows({ life, db, job, tab, who }, later)
      const givenBack = await db.getAllFromIndex('given-back', 'job', job)
      return { rows, givenBack: givenBack.map(({ id, sentence, words }) => ({ id, sentence, words })) }
    },
    settled: async () => void (await last),
    close: () => {
      // What is on its way into the outbox is this tab's until it is there.
      void last.then(async () => {
        ;(await opened).close()
        release()
      })
    },
  }
}

function open(): Promise<IDBPDatabase<Kept>> {
  return openDB<Kept>('instant-fit', 1, {
    upgrade: (db) => {
      db.createObjectStore('rows', { keyPath: 'id' }).createIndex('job', 'job')
      db.createObjectStore('given-back', { keyPath: 'id' }).createIndex('job', 'job')
    },
  })
}

type Heir = { readonly life: TabLife; readonly db: IDBPDatabase<Kept>; readonly job: string; readonly tab: string; readonly who: string }

/** The rows of tabs that are gone. Those of one that lives are its own until it goes. */
async function adoptRows(heir: Heir, later: (rows: readonly LogRow[]) => void): Promise<readonly LogRow[]> {
  const others = [...new Set((await leftRows(heir)).map((row) => row.tab))]
  const adopted: StoredRow[] = []
  const take = async (other: string): Promise<void> => {
    const isGone = await heir.life.ifGone(other, async () => void adopted.push(...(await takeOver(heir, other))))
    if (!isGone) void waitFor(heir, other, later)
  }
  await Promise.all(others.map(take))
  return inOrder(adopted)
}

async function waitFor(heir: Heir, other: string, later: (rows: readonly LogRow[]) => void): Promise<void> {
  try {
    const rows = await heir.life.whenGone(other, () => takeOver(heir, other))
    if (rows.length > 0) later(inOrder(rows))
  } catch {
    // This tab was closed first; the next one finds them.
  }
}

async function takeOver(heir: Heir, other: string): Promise<readonly StoredRow[]> {
  const rows = (await leftRows(heir)).filter((row) => row.tab === other)
  for (const row of rows) await heir.db.put('rows', { ...row, tab: heir.tab })
  return rows
}

/** What other tabs of this person have in the outbox for the job. */
async function leftRows({ db, job, tab, who }: Heir): Promise<readonly StoredRow[]> {
  const isMine = ({ row }: StoredRow): boolean => row.who === who || !row.who?.startsWith('person:')
  return (await db.getAllFromIndex('rows', 'job', job)).filter((row) => row.tab !== tab && isMine(row))
}

function inOrder(rows: readonly StoredRow[]): readonly LogRow[] {
  return rows.toSorted((a, b) => a.seq - b.seq).map(({ row }) => row)
}
