import { execFileSync } from 'node:child_process'
import {
  appendFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs'
import path from 'node:path'
import Database from 'better-sqlite3'
import { create } from 'tar'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { hashOf } from '../../src/server/files/blobs'
import { setText } from '../site'
import { ownDataFolder } from './log-fixture'

/** A data folder with a job, a picture and a release content, and the application as it is after a start on it. */
let data = ''
let job = ''
let picture = ''

const load = async () => {
  vi.resetModules()
  const { forget } = await import('../../src/server/files/kept')
  for (const name of ['db', 'job-states', 'check-report', 'prepared']) forget(name)
  const [trouble, check, make, log, db, blobs, assets, thin, packing, packs] = await Promise.all([
    import('../../src/server/use-cases/trouble'),
    import('../../src/server/use-cases/check'),
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/store/db'),
    import('../../src/server/files/blobs'),
    import('../../src/server/media/store-upload'),
    import('../../src/server/releases/collect-garbage'),
    import('../../src/server/use-cases/backup'),
    import('../../src/server/store/publications'),
  ])
  return { trouble, check, make, log, db, blobs, assets, thin, packing, publications: packs }
}
let app: Awaited<ReturnType<typeof load>>

const file = (...parts: string[]): string => path.join(data, ...parts)
const row = (id: string, text: string) => ({ id: `trouble-${id}`, gesture: id, undoes: null, edit: setText('home.hero', 'heading', text) })
const heading = (): unknown => JSON.stringify(app.log.jobState(job).document).includes('The last words')
const mediaFiles = (): string[] => readdirSync(file('media'))

beforeEach(async () => {
  data = process.env.INSTANT_FIT_CACHE = ownDataFolder()
  app = await load()
  job = app.make.makeJob({ template: 'tallow', facts: { name: 'In trouble' }, brand: {} })
  app.log.appendRows(job, null, 0, [row('one', 'First'), row('two', 'The last words')])
  const png = readFileSync(
    path.join(
      import.meta.dirname,
      '..',
      '..',
      'demo',
      'pictures',
      readdirSync(path.join(import.meta.dirname, '..', '..', 'demo', 'pictures')).find((n) => /\.(jpg|png)$/.test(n)) ?? '',
    ),
  )
  picture = (await app.assets.storeUpload(job, 'front.jpg', png)).id
  app.db.db().pragma('wal_checkpoint(TRUNCATE)')
})

/** Ends the application's hold on its database, as a stop would, and starts again. */
async function restart(between: () => void): Promise<void> {
  app.db.db().close()
  between()
  app = await load()
}

describe('a database that cannot be used is told of in its own words, and nothing is changed', () => {
  const sqlite = (): string => file('instant-fit.sqlite')
  const dropWal = (): void => ['-wal', '-shm'].forEach((end) => rmSync(sqlite() + end, { force: true }))

  test('emptied, or gone, beside what it named', async () => {
    await restart(() => {
      dropWal()
      truncateSync(sqlite(), 0)
    })
    expect(app.trouble.findTrouble()).toContain('is gone or empty')
    expect(statSync(sqlite()).size).toBe(0)
    rmSync(sqlite())
    expect(app.trouble.findTrouble()).toContain('is gone or empty')
    expect(existsSync(sqlite())).toBe(false)
  })

  test('overwritten with something else', async () => {
    await restart(() => {
      dropWal()
      writeFileSync(sqlite(), 'These are the minutes of another meeting. '.repeat(1000))
    })
    const before = readFileSync(sqlite())
    expect(app.trouble.findTrouble()).toContain('cannot be read')
    expect(readFileSync(sqlite())).toEqual(before)
  })

  test('of a newer application', async () => {
    app.db.db().prepare('INSERT INTO migration (number, name, hash, at) VALUES (900, ?, ?, ?)').run('900-later.sql', 'x', '2030')
    await restart(() => undefined)
    expect(app.trouble.findTrouble()).toMatch(/newer Instant Fit \(version \d+; this one knows \d+\)/)
  })

  test('held by another program: what is written waits, what is read is shown', () => {
    const other = new Database(sqlite())
    other.exec('BEGIN IMMEDIATE')
    let code = ''
    try {
      app.log.appendRows(job, null, 2, [row('three', 'Not yet')])
    } catch (error) {
      code = (error as { code: string }).code
    }
    expect(code).toBe('SQLITE_BUSY')
    expect(heading()).toBe(true)
    expect(app.trouble.findTrouble()).toBeNull()
    other.exec('ROLLBACK')
    other.close()
    expect(app.log.appendRows(job, null, 2, [row('three', 'Now')]).written).toEqual(['trouble-three'])
  })

  test('in a folder that cannot be written: jobs are shown, every change is refused, and it goes on once it can be', async () => {
    const { someoneHere } = await import('./signed-in')
    const { headers } = await someoneHere()
    const ask = async (): Promise<string> => {
      const { POST } = await import('../../src/app/api/jobs/[job]/edits/route')
      const body = JSON.stringify({ base: 2, who: null, rows: [row('three', 'Not now')] })
      const response = await POST(new Request('http://app/', { method: 'POST', headers, body }), { params: Promise.resolve({ job }) })
      return ((await response.json()) as { problem?: { code: string } }).problem?.code ?? 'taken'
    }
    const kept = (): string[] =>
      ['instant-fit.sqlite', ...mediaFiles().map((name) => path.join('media', name))].map(
        (name) => `${name} ${hashOf(readFileSync(file(name)))}`,
      )
    app.db.db().pragma('wal_checkpoint(TRUNCATE)')
    const before = kept()
    // As a disk answers that is there to be read (EROFS); rights say nothing to whoever may do everything.
    vi.doMock('node:fs', async (original) => {
      const fs = await original<typeof import('node:fs')>()
      const accessSync = (place: string): void => {
        if (place.startsWith(data)) throw Object.assign(new Error('EROFS: read-only file system'), { code: 'EROFS' })
      }
      return { ...fs, accessSync, default: { ...fs, accessSync } }
    })
    try {
      await restart(() => undefined)
      expect(app.trouble.findTrouble()).toBeNull()
      expect(app.trouble.onlyToRead()).toContain('cannot be written')
      expect(heading()).toBe(true)
      expect(await ask()).toBe('onlyToRead')
      expect(kept()).toEqual(before)
    } finally {
      vi.doUnmock('node:fs')
    }
    await restart(() => undefined)
    expect(app.trouble.onlyToRead()).toBeNull()
    expect(await ask()).toBe('taken')
  })

  test('every code of a disk that fails has words of its own', async () => {
    const { toProblem } = await import('../../src/server/problems')
    const codeOf = (code: string): string => toProblem(Object.assign(new Error('x'), { code })).code
    // SQLite, “Result and Error Codes”; errno(3).
    const codes = [
      'SQLITE_BUSY_SNAPSHOT',
      'SQLITE_CORRUPT',
      'SQLITE_NOTADB',
      'SQLITE_FULL',
      'SQLITE_READONLY',
      'SQLITE_IOERR_FSYNC',
      'EROFS',
      'EACCES',
      'ENOSPC',
      'EIO',
      'ENOENT',
    ]
    const ofSqlite = ['databaseLocked', 'databaseDamaged', 'databaseDamaged', 'diskFull', 'folderReadOnly', 'diskFails']
    expect(codes.map(codeOf)).toEqual([...ofSqlite, 'folderReadOnly', 'folderReadOnly', 'diskFull', 'diskFails', 'unexpected'])
    const readOnly = new Database(sqlite(), { readonly: true })
    let said: unknown
    try {
      readOnly.prepare('DELETE FROM job_line').run()
    } catch (error) {
      said = error
    }
    readOnly.close()
    expect(toProblem(said).code).toBe('folderReadOnly')
  })
})

describe('check and repair', () => {
  test('finds nothing where everything is whole', async () => {
    const report = await app.check.checkAndRepair()
    expect(report.findings).toEqual([])
    // The database, the job, the picture.
    expect(report.looked).toBe(3)
    expect(app.check.lastCheck()).toBe(report)
  })

  test('makes a damaged state again from the log, and names one that the log cannot give back', async () => {
    app.log.appendRows(
      job,
      null,
      2,
      Array.from({ length: 230 }, (_, i) => row(`more-${i}`, `Words ${i}`)),
    )
    app.log.appendRows(job, null, 232, [row('last', 'The last words')])
    // A state is kept once those who wait are answered.
    await new Promise((resolve) => setImmediate(resolve))
    const rows = app.db.db().prepare('SELECT revision FROM snapshot WHERE job = ? ORDER BY revision').all(job) as { revision: number }[]
    const newest = rows.at(-1)?.revision ?? 0
    expect(newest).toBeGreaterThan(0)
    app.db.db().prepare('UPDATE snapshot SET document = ? WHERE job = ? AND revision = ?').run('{"torn', job, newest)
    await restart(() => undefined)
    expect((await app.check.checkAndRepair()).findings).toMatchObject([{ about: 'job', name: expect.any(String), done: 'mended' }])
    expect(heading()).toBe(true)
    expect((await app.check.checkAndRepair()).findings).toEqual([])
    app.db.db().prepare('UPDATE snapshot SET document = ? WHERE job = ?').run('{"torn', job)
    await restart(() => undefined)
    const left = (await app.check.checkAndRepair()).findings
    expect(left.every(({ about, done }) => about === 'job' && done === 'left')).toBe(true)
    expect(left.length).toBeGreaterThan(1)
  })

  test('sets a damaged picture aside and names it, and makes what was made again', async () => {
    const { makeVariant } = await import('../../src/server/media/variants')
    const variant = { asset: picture, ratio: 'whole', focus: { x: 0.5, y: 0.5 }, width: 200, format: 'webp' } as never
    const made = await makeVariant(variant)
    const [name = ''] = mediaFiles()
    appendFileSync(file('media', name), 'x')
    const [small = ''] = readdirSync(file('variants'), { recursive: true }).filter((n) => String(n).endsWith('.webp')) as string[]
    truncateSync(file('variants', small), 60)
    writeFileSync(file('media', 'half.jpg.123.part'), 'half')
    const { findings } = await app.check.checkAndRepair()
    expect(findings.map(({ about, done }) => [about, done])).toEqual([
      ['picture', 'set aside'],
      ['file', 'mended'],
    ])
    expect(findings[0]?.name).toBe('front')
    expect(existsSync(file('set-aside', name))).toBe(true)
    expect(mediaFiles()).toEqual([])
    expect((await app.check.checkAndRepair()).findings).toMatchObject([{ about: 'picture', what: expect.stringContaining('is gone') }])
    expect(made?.length).toBeGreaterThan(100)
  })

  test('sets a torn content of a release aside, so that it is made again', async () => {
    const { hash } = app.blobs.keepBlob('A page of a site')
    truncateSync(file('blobs', hash.slice(0, 2), hash), 3)
    expect((await app.check.checkAndRepair()).findings).toMatchObject([{ about: 'release', done: 'set aside' }])
    app.blobs.keepBlob('A page of a site')
    expect((await app.check.checkAndRepair()).findings).toEqual([])
  })
})

describe('what is kept is thinned', () => {
  test('contents that nothing names go after a day; what a release, a document or its history names stays', () => {
    const old = new Date(Date.now() - 3 * 86_400_000)
    const keep = (words: string, isOld = true): string => {
      const { hash } = app.blobs.keepBlob(words)
      if (isOld) utimesSync(file('blobs', hash.slice(0, 2), hash), old, old)
      return hash
    }
    const [loose, young, released, undone] = [keep('loose'), keep('young', false), keep('released'), keep('undone')]
    app.db
      .db()
      .prepare('INSERT INTO release (id, job, revision, address, manifest, built_at) VALUES (?, ?, ?, ?, ?, ?)')
      .run('kept', job, 1, 'a', JSON.stringify({ 'index.html': { hash: released, bytes: 8 } }), new Date().toISOString())
    const link = { type: 'link', label: 'Menu', to: { type: 'file', hash: undone, name: 'menu.pdf', bytes: 6 } } as never
    const withLink = { type: 'slot/set', section: 'home.hero', entry: null, slot: 'action', value: link } as never
    expect(app.log.appendRows(job, null, 2, [{ ...row('link', 'x'), edit: withLink }]).refused).toEqual([])
    app.log.appendRows(job, null, 3, [
      { ...row('unlink', 'x'), edit: { type: 'slot/set', section: 'home.hero', entry: null, slot: 'action', value: null } as never },
    ])
    expect(app.thin.collectGarbage(new Date())).toEqual({ releases: 0, contents: 1, bytes: 5 })
    expect([loose, young, released, undone].map((hash) => app.blobs.readBlob(hash) !== null)).toEqual([false, true, true, true])
    // Asked for once more it is young again.
    keep('asked for again')
    app.blobs.keepBlob('asked for again')
    expect(app.thin.collectGarbage(new Date()).contents).toBe(0)
  })

  test('releases that never went live go after a day, those that did stay for ever', () => {
    const add = (id: string, at: string): void =>
      void app.db
        .db()
        .prepare('INSERT INTO release (id, job, revision, address, manifest, built_at) VALUES (?, ?, 1, ?, ?, ?)')
        .run(id, job, 'a', '{}', at)
    for (const [id, at] of [
      ['old', '2020'],
      ['live', '2020'],
      ['failed', '2020'],
      ['new', new Date().toISOString()],
    ] as const)
      add(id, at)
    const publish = (release: string): void =>
      app.publications.insertPublication({
        id: `p-${release}`,
        job,
        destination: 'web-host',
        release,
        address: 'a',
        movedFrom: null,
        person: null,
        note: '',
      })
    publish('live')
    app.publications.noteSwitched({ id: 'p-live', job, release: 'live' } as never)
    publish('failed')
    app.publications.giveUp('p-failed', 'no answer')
    app.db.db().prepare(`UPDATE publication SET begun_at = '2020'`).run()
    app.thin.collectGarbage(new Date())
    const left = app.db.db().prepare('SELECT id FROM release ORDER BY id').all() as { id: string }[]
    expect(left.map(({ id }) => id)).toEqual(['live', 'new'])
  })
})

test('the live release is the one that was switched to last, though the clock was set back', () => {
  const insert = (id: string): void =>
    void app.db
      .db()
      .prepare('INSERT INTO release (id, job, revision, address, manifest, built_at) VALUES (?, ?, 1, ?, ?, ?)')
      .run(id, job, 'a', JSON.stringify({ 'index.html': { hash: 'a'.repeat(64), bytes: 1 } }), new Date().toISOString())
  vi.useFakeTimers({ toFake: ['Date'] })
  try {
    for (const [id, day] of [
      ['first', '2026-05-02'],
      ['second', '2026-05-01'],
    ] as const) {
      vi.setSystemTime(new Date(`${day}T12:00:00Z`))
      insert(id)
      app.publications.insertPublication({
        id: `p-${id}`,
        job,
        destination: 'web-host',
        release: id,
        address: 'a',
        movedFrom: null,
        person: null,
        note: '',
      })
      app.publications.noteSwitched({ id: `p-${id}`, job, release: id } as never)
    }
  } finally {
    vi.useRealTimers()
  }
  expect(app.publications.livePublication(job)?.release).toBe('second')
  expect(app.publications.liveOfAll().get(job)).toMatchObject({ number: 2, switchedAt: '2026-05-01T12:00:00.000Z' })
})

describe('a copy of everything in one file', () => {
  test('is made while the application writes, and reads back as the very same jobs and pictures', async () => {
    const to = path.join(path.dirname(data), `packed-${path.basename(data)}.tar`)
    const packing = app.packing.backUp(to)
    app.log.appendRows(job, null, 2, [row('meanwhile', 'Meanwhile')])
    await packing
    const before = mediaFiles()
    await expect(app.packing.restoreBackup(to)).rejects.toThrow('is not empty')
    // What a copy holds is seen by any tar.
    expect(execFileSync('tar', ['tf', to], { encoding: 'utf8' }).split('\n')).toEqual(
      expect.arrayContaining(['instant-fit.sqlite', `media/${before[0]}`]),
    )
    await restart(() => rmSync(data, { recursive: true }))
    await app.packing.restoreBackup(to)
    app = await load()
    expect((await app.check.checkAndRepair()).findings).toEqual([])
    expect(heading() || JSON.stringify(app.log.jobState(job).document).includes('Meanwhile')).toBe(true)
    expect(mediaFiles()).toEqual(before)
  })

  test('that is torn, is another’s, or leads elsewhere is refused, and nothing is changed', async () => {
    const to = path.join(path.dirname(data), `packed-${path.basename(data)}.tar`)
    await app.packing.backUp(to)
    await restart(() => rmSync(data, { recursive: true }))
    const torn = `${to}.torn`
    const bytes = Buffer.from(readFileSync(to))
    bytes.fill(0x58, 9000, 12_000)
    writeFileSync(torn, bytes)
    await expect(app.packing.restoreBackup(torn)).rejects.toThrow(/is damaged|cannot be read/)
    writeFileSync(torn, 'no archive at all')
    await expect(app.packing.restoreBackup(torn)).rejects.toThrow(/holds no database|cannot be read/)
    const work = `${to}.work`
    mkdirSync(path.join(work, 'media'), { recursive: true })
    writeFileSync(path.join(work, 'media', 'x.jpg'), 'x')
    await create({ file: torn, cwd: work, prefix: '../../escaped' }, ['media'])
    await expect(app.packing.restoreBackup(torn)).rejects.toThrow(/holds no database|cannot be read/)
    expect(existsSync(data)).toBe(false)
    expect(existsSync(path.join(path.dirname(data), 'escaped'))).toBe(false)
    await expect(app.packing.restoreBackup('/nowhere/at-all.tar')).rejects.toThrow('cannot be read')
  })
})
