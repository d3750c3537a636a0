import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import fc from 'fast-check'
import { beforeAll, expect, test } from 'vitest'
import { applyEdit, gesturesOf, type SiteDocument } from '../../src/core/site'
import type { Client } from '../world'
import { testSite } from '../pack'
import { editOf, someEdit } from '../some-edits'

// Strong eventual consistency after Shapiro, Preguiça, Baquero and Zawirski, “Conflict-free Replicated Data Types”
// (INRIA RR-7687, 2011), section 2: whoever has received the same updates has the same state. Cited from memory. Here the
// database gives the updates one order, so the same rows must give the same document to all.

let worlds: typeof import('../world')
let jobs: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let rows: typeof import('../../src/server/store/log-rows')
beforeAll(async () => {
  process.env.INSTANT_FIT_DATA = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  ;[worlds, jobs, log, rows] = await Promise.all([
    import('../world'),
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/store/log-rows'),
  ])
})

const RUNS = Number(process.env.CONVERGENCE_RUNS ?? 40)
const fate = fc.constantFrom('arrives' as const, 'arrives' as const, 'arrives' as const, 'is lost' as const, 'is doubled' as const)
const command = fc.oneof(
  { weight: 6, arbitrary: fc.record({ type: fc.constant('edit' as const), client: fc.nat(3), some: someEdit }) },
  { weight: 12, arbitrary: fc.record({ type: fc.constant('move' as const), at: fc.nat(50), fate }) },
  { weight: 2, arbitrary: fc.record({ type: fc.constantFrom('undo' as const, 'redo' as const), client: fc.nat(3) }) },
  { weight: 1, arbitrary: fc.record({ type: fc.constant('crash client' as const), client: fc.nat(3) }) },
  { weight: 1, arbitrary: fc.record({ type: fc.constant('crash server' as const) }) },
)

test(
  'whatever the network and the crashes do, all hands end with the database’s document, and nothing that was called saved is missing',
  { timeout: 600_000 },
  async () => {
    const start = testSite({ name: 'World' }).document
    let edits = 0
    let written = 0
    await fc.assert(
      fc.asyncProperty(fc.array(command, { minLength: 20, maxLength: 90 }), async (commands) => {
        const job = jobs.createJob(start)
        const world = new worlds.World(job)
        const browsers = [new worlds.Browser(), new worlds.Browser()]
        for (const browser of [browsers[0]!, browsers[0]!, browsers[1]!]) world.open(browser)
        let ids = 0
        const typing = (client: Client): string => {
          if (!gestures.has(client)) gestures.set(client, `typing-${gestures.size}`)
          return gestures.get(client) ?? ''
        }
        const gestures = new Map<Client, string>()
        const inLog = (): Set<string> => new Set(rows.rowsSince(job, 0).map((row) => row.id))
        const check = (): void => {
          const there = inLog()
          for (const { store, made, browser } of world.clients) {
            const { saveState, pending } = store.getState()
            if (saveState !== 'saved') continue
            expect(pending).toEqual([])
            for (const id of made) expect(there.has(id) || browser.given.has(id) || silent.has(id), id).toBe(true)
          }
        }
        // Rows of takings back that another tab was quicker with: what they wanted has happened.
        const silent = new Set<string>()
        const note = (): void =>
          world.clients.forEach(({ store }) => store.getState().pending.forEach((row) => row.undoes !== null && silent.add(row.id)))
        for (const c of commands) {
          const client = 'client' in c ? world.clients[c.client % world.clients.length]! : null
          if (c.type === 'edit' && client) {
            const edit = editOf(client.store.getState().document, c.some, () => `n${++ids}x${job.slice(0, 4).replaceAll(/[-_]/g, 'q')}`)
            // One hand in two goes on with a gesture that may have been taken back meanwhile.
            const gesture = c.some.b % 2 === 0 ? typing(client) : undefined
            if (edit && client.store.apply(edit, gesture) !== null) edits++
          } else if (c.type === 'move') await world.move(c.at, c.fate)
          else if (c.type === 'undo' || c.type === 'redo') void client!.store[c.type]()
          else if (c.type === 'crash server') world.crashServer()
          else if (c.type === 'crash client' && client) {
            client.die()
            world.open(client.browser)
          }
          note()
          check()
        }
        await world.heal()
        note()
        check()
        const { document, revision } = log.jobState(job)
        world.crashServer()
        expect(log.jobState(job).document).toEqual(document)
        const all = rows.rowsSince(job, 0)
        expect(replay(start, all)).toEqual(document)
        // What was taken back is gone and nothing else: what stands makes the very document, from the beginning.
        const standing = new Set(gesturesOf(all).flatMap((g) => (g.stands && g.undoes === null ? [g.id] : [])))
        expect(
          replay(
            start,
            all.filter((row) => standing.has(row.gesture)),
          ),
        ).toEqual(document)
        for (const { store } of world.clients) {
          expect(store.getState().document).toEqual(document)
          expect(store.getState()).toMatchObject({ revision, pending: [], saveState: 'saved' })
        }
        for (const browser of browsers) expect(browser.rows.size).toBe(0)
        written += revision
      }),
      { numRuns: RUNS, seed: 20261125, endOnFailure: !process.env.SHRINK },
    )
    expect(edits).toBeGreaterThan(RUNS * 5)
    expect(written).toBeGreaterThan(RUNS * 5)
  },
)

function replay(start: SiteDocument, all: readonly { edit: Parameters<typeof applyEdit>[1] }[]): SiteDocument {
  return all.reduce((at, { edit }) => {
    const applied = applyEdit(at, edit)
    if (!applied.ok) throw new Error(applied.problem.code)
    return applied.document
  }, start)
}
