import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { nanoid } from 'nanoid'
import type { LogRow } from '@/core/site'
import type { GivenBack } from './job-state'

/** A row that is kept until the database has it: which tab's it is, and in which order it was made. */
export type KeptRow = { readonly row: LogRow; readonly seq: number; readonly sent: boolean }

/** What is not in the database yet, and what could not be kept there, in a place that outlives the browser. */
export type Outbox = {
  readonly put: (kept: KeptRow) => void
  readonly remove: (ids: readonly string[]) => void
  readonly giveBack: (given: GivenBack) => void
  readonly forget: (id: string) => void
  /** Takes over what tabs that are gone have left, oldest first, and tells what was given back before. */
  readonly adopt: () => Promise<{ readonly rows: readonly LogRow[]; readonly givenBack: readonly GivenBack[] }>
  /** Resolves once everything asked so far is kept. */
  readonly settled: () => Promise<void>
  readonly close: () => void
}

type StoredRow = KeptRow & { readonly id: string; readonly job: string; readonly tab: string }
interface Kept extends DBSchema {
  rows: { key: string; value: StoredRow; indexes: { job: string } }
  'given-back': { key: string; value: GivenBack & { readonly job: string }; indexes: { job: string } }
}

const lockName = (tab: string): string => `instant-fit-tab-${tab}`

/**
 * The outbox of somebody’s browser: IndexedDB. What another has left here waits until he is back. Tabs are told apart by a lock that each
 * holds while it lives (Web Locks API).
 */
export function browserOutbox(job: string, who: string): Outbox {
  const tab = nanoid(12)
  const opened = open()
  let last: Promise<unknown> = Promise.resolve()
  const queue = (work: (db: IDBPDatabase<Kept>) => Promise<unknown>): void => {
    last = last.then(async () => work(await opened)).catch((error: unknown) => console.error('The outbox could not be written', error))
  }
  const release = holdLock(lockName(tab))
  return {
    put: (kept) => queue((db) => db.put('rows', { ...kept, id: kept.row.id, job, tab })),
    remove: (ids) => queue((db) => Promise.all(ids.map((id) => db.delete('rows', id)))),
    giveBack: (given) => queue((db) => db.put('given-back', { ...given, job })),
    forget: (id) => queue((db) => db.delete('given-back', id)),
    adopt: async () => {
      const db = await opened
      const rows = await adoptRows(db, job, tab, who)
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

/** Holds a lock until what is returned is called, or the tab is gone. */
function holdLock(name: string): () => void {
  let release: () => void = () => undefined
  const held = new Promise<void>((resolve) => {
    release = resolve
  })
  void navigator.locks?.request(name, () => held)
  return release
}

async function adoptRows(db: IDBPDatabase<Kept>, job: string, tab: string, me: string): Promise<LogRow[]> {
  const isMine = ({ row: { who } }: StoredRow): boolean => who === me || !who?.startsWith('person:')
  const all = (await db.getAllFromIndex('rows', 'job', job)).filter(isMine)
  const others = [...new Set(all.map((row) => row.tab))].filter((other) => other !== tab)
  const adopted: StoredRow[] = []
  for (const other of others) {
    const take = async (): Promise<void> => {
      for (const row of all.filter((r) => r.tab === other)) {
        await db.put('rows', { ...row, tab })
        adopted.push(row)
      }
    }
    if (!navigator.locks) await take()
    // A lock that another tab still holds is not to be had: its rows are its own.
    else await navigator.locks.request(lockName(other), { ifAvailable: true }, async (lock) => void (lock && (await take())))
  }
  return adopted.sort((a, b) => a.seq - b.seq).map(({ row }) => row)
}
