import { expect, test, vi } from 'vitest'
import type { Appended } from '../../src/core/replies'
import { ApiError } from '../../src/ui/request/api'
import type { JobState, PendingRow } from '../../src/ui/job/job-state'
import { startSync } from '../../src/ui/job/sync'
import type { SentRow } from '../../src/ui/job/transport'
import { setText } from '../site'

/** A sync over rows that are answered as a test says; timers go off when it says so. */
function syncOf(texts: readonly string[], answer: (rows: readonly SentRow[], asked: number) => Appended) {
  const row = (text: string): PendingRow => {
    const edit = setText('home.hero', 'heading', text)
    return { id: text, gesture: text, who: 'me', undoes: null, edit, inverse: edit, sent: false, stuck: false, adopted: false }
  }
  let pending = texts.map(row)
  let revision = 0
  const sent: string[][] = []
  const waits: { readonly ms: number; readonly ring: () => void }[] = []
  const effects = {
    learn: vi.fn().mockResolvedValue(undefined),
    receive: vi.fn((reply: Appended) => {
      revision = Math.max(revision, reply.revision)
      pending = pending.filter(({ id }) => !reply.written.includes(id))
    }),
    restart: vi.fn().mockResolvedValue(undefined),
    freeze: (ids: readonly string[]) => void (pending = pending.map((one) => (ids.includes(one.id) ? { ...one, sent: true } : one))),
    refuse: vi.fn((id: string) => void (pending = pending.filter((one) => one.id !== id))),
    setSaveState: vi.fn(),
    setNotice: vi.fn(),
    published: vi.fn(),
  }
  let tell: (revision: number | null) => void = () => undefined
  const transport = {
    append: async (_: number, __: string, rows: readonly SentRow[]) => {
      sent.push(rows.map(({ id }) => id))
      return answer(rows, sent.length)
    },
    since: vi.fn(async (): Promise<Appended> => ({ revision, library: 'l', rows: [], written: [], refused: [] })),
    leave: vi.fn(),
    follow: (onRevision: typeof tell) => {
      tell = onRevision
      return () => undefined
    },
  }
  const state = () => ({ pending, revision, who: 'me' }) as unknown as JobState
  const sync = startSync(transport as never, state, effects, (ms, then) => {
    waits.push({ ms, ring: then })
    return () => void waits.splice(0)
  })
  const tick = async (): Promise<number | undefined> => {
    const next = waits.shift()
    next?.ring()
    for (let i = 0; i < 20; i++) await Promise.resolve()
    return next?.ms
  }
  return { sync, sent, effects, transport, tick, waits, tell: (at: number | null) => tell(at), left: () => pending.map(({ id }) => id) }
}
const written = (rows: readonly SentRow[]): Appended => ({
  revision: 1,
  library: 'l',
  rows: [],
  written: rows.map(({ id }) => id),
  refused: [],
})

test('after a request that was refused as a whole rows go one by one until the one at fault is found; then together again', async () => {
  const tried = syncOf(['a', 'bad', 'c', 'd', 'e'], (rows) => {
    if (rows.some(({ id }) => id === 'bad')) throw new ApiError(422, 'requestWrong', 'It cannot be read.')
    return written(rows)
  })
  tried.sync.wake()
  for (let i = 0; i < 6; i++) await tried.tick()
  expect(tried.sent).toEqual([['a', 'bad', 'c', 'd', 'e'], ['a'], ['bad', 'c', 'd', 'e'], ['bad'], ['c'], ['d', 'e']])
  expect(tried.effects.refuse.mock.calls).toEqual([['bad', 'requestWrong', 'It cannot be read.']])
  expect(tried.left()).toEqual([])
  expect(tried.effects.setSaveState).toHaveBeenLastCalledWith('saved')
})

test('a server that does not answer is asked ever less often, and at once when the line is there again', async () => {
  let isDown = true
  const tried = syncOf(['a'], (rows) => {
    if (isDown) throw new ApiError(0, 'noAnswer', 'It does not answer.')
    return written(rows)
  })
  tried.sync.wake()
  const waited: (number | undefined)[] = []
  for (let i = 0; i < 9; i++) waited.push(await tried.tick())
  expect(waited).toEqual([250, 500, 1000, 2000, 4000, 8000, 16_000, 16_000, 16_000])
  expect(tried.effects.setSaveState).toHaveBeenLastCalledWith('waiting')
  expect(tried.effects.refuse).not.toHaveBeenCalled()
  expect(tried.effects.setNotice).not.toHaveBeenCalled()
  isDown = false
  tried.tell(null)
  await tried.tick()
  expect(tried.left()).toEqual([])
})

test('who is to sign in first is told so and loses no row; a fault of the server’s is told, and waited for', async () => {
  for (const [status, code] of [
    [401, 'signedOut'],
    [409, 'otherPerson'],
    [500, 'unknown'],
  ] as const) {
    const tried = syncOf(['a'], () => {
      throw new ApiError(status, code, `It is ${code}.`)
    })
    tried.sync.wake()
    await tried.tick()
    expect(tried.effects.setNotice.mock.calls).toEqual([[`It is ${code}.`]])
    expect(tried.effects.refuse).not.toHaveBeenCalled()
    expect(tried.left()).toEqual(['a'])
    expect(tried.waits.map(({ ms }) => ms)).toEqual([500])
  }
})

test('a revision that the database does not know, and a reply that cannot bring all, begin again from there', async () => {
  const unknown = syncOf(['a'], () => {
    throw new ApiError(409, 'revisionUnknown', 'It is not known.')
  })
  unknown.sync.wake()
  await unknown.tick()
  expect(unknown.effects.restart).toHaveBeenCalledTimes(1)
  const far = syncOf(['a'], (rows) => ({ ...written(rows), revision: 700 }))
  far.sync.wake()
  await far.tick()
  expect(far.effects.restart).toHaveBeenCalledTimes(1)
  expect(far.effects.learn).toHaveBeenCalledBefore(far.effects.receive)
})

test('a page that goes sends what was not sent yet, as much as it may, and asks no more', async () => {
  const long = Array.from({ length: 40 }, (_, i) => `${i} ${'x'.repeat(900)}`)
  const tried = syncOf(long, written)
  tried.sync.close()
  const [, who, rows] = tried.transport.leave.mock.calls[0] as [number, string, readonly SentRow[]]
  expect(who).toBe('me')
  expect(JSON.stringify(rows.map(({ edit }) => edit)).length).toBeLessThan(20_500)
  expect(rows.length).toBeGreaterThan(10)
  tried.sync.wake()
  expect(tried.waits).toEqual([])
  expect(tried.sent).toEqual([])
})

test('what others did is fetched once what is on its way has its answer; what is known is not asked for', async () => {
  let open: ((reply: Appended) => void) | null = null
  const tried = syncOf(['a'], written)
  tried.transport.append = (_, __, rows) => {
    tried.sent.push(rows.map(({ id }) => id))
    return new Promise((resolve) => (open = resolve))
  }
  tried.sync.wake()
  await tried.tick()
  tried.tell(7)
  await tried.tick()
  expect(tried.transport.since).not.toHaveBeenCalled()
  open!({ ...written([]), written: ['a'] })
  await tried.tick()
  // It was told of a seventh revision, and has the first.
  expect(tried.transport.since.mock.calls).toEqual([[1]])
  tried.tell(1)
  tried.tell(0)
  await tried.tick()
  expect(tried.transport.since).toHaveBeenCalledTimes(1)
  tried.tell(8)
  await tried.tick()
  expect(tried.transport.since).toHaveBeenCalledTimes(2)
})

test('a line that comes again, and a page that comes back, ask what is new; neither sends what there is none of', async () => {
  const tried = syncOf([], written)
  tried.tell(null)
  await tried.tick()
  expect([tried.transport.since.mock.calls.length, tried.waits.length]).toEqual([1, 0])
  tried.sync.back()
  expect(tried.waits.map(({ ms }) => ms)).toEqual([0])
  await tried.tick()
  expect([tried.transport.since.mock.calls.length, tried.sent.length]).toEqual([2, 0])
  tried.sync.close()
  expect(tried.transport.leave).not.toHaveBeenCalled()
  tried.tell(9)
  tried.sync.back()
  await tried.tick()
  expect(tried.transport.since).toHaveBeenCalledTimes(2)
})

test('one request is on its way at a time, and typing meanwhile waits for no more than it', async () => {
  const answers: ((reply: Appended) => void)[] = []
  const tried = syncOf(['a'], written)
  tried.transport.append = (_, __, rows) => {
    tried.sent.push(rows.map(({ id }) => id))
    return new Promise((resolve) => answers.push(resolve))
  }
  tried.sync.wake()
  // Woken again before the time is up, it is the same time.
  tried.sync.wake()
  expect(tried.waits.map(({ ms }) => ms)).toEqual([250])
  await tried.tick()
  tried.sync.wake()
  await tried.tick()
  expect(tried.sent).toEqual([['a']])
  answers[0]!({ ...written([]), written: ['a'] })
  await tried.tick()
  expect(tried.effects.setSaveState.mock.calls).toEqual([['saved'], ['saved']])
})

test('what does not fit what is here begins again from the database, which is no wait; only where that fails it is one', async () => {
  const noise = vi.spyOn(console, 'error').mockImplementation(() => undefined)
  const reports = vi.fn()
  vi.stubGlobal('reportError', reports)
  const tried = syncOf(['a'], (rows) => ({ ...written(rows), revision: 0 }))
  tried.effects.learn.mockRejectedValueOnce(new TypeError('a fault of our own'))
  tried.sync.wake()
  await tried.tick()
  expect(tried.effects.restart).toHaveBeenCalledTimes(1)
  expect(tried.effects.setSaveState).not.toHaveBeenCalledWith('waiting')
  // No answer to what is new is no fault: the next event brings it.
  tried.transport.since.mockRejectedValueOnce(new ApiError(0, 'noAnswer', 'It does not answer.'))
  tried.tell(50)
  await tried.tick()
  expect(tried.effects.restart).toHaveBeenCalledTimes(1)
  tried.transport.since.mockRejectedValueOnce(new TypeError('a fault of our own'))
  tried.effects.restart.mockRejectedValueOnce(new ApiError(0, 'noAnswer', 'It does not answer.'))
  tried.tell(51)
  await tried.tick()
  expect(tried.effects.restart).toHaveBeenCalledTimes(2)
  expect(tried.effects.setSaveState).toHaveBeenLastCalledWith('waiting')
  vi.unstubAllGlobals()
  noise.mockRestore()
})

test('a request takes a hundred rows, and one that is too long alone all the same', async () => {
  const many = syncOf(
    Array.from({ length: 230 }, (_, i) => String(i)),
    written,
  )
  many.sync.wake()
  for (let i = 0; i < 4; i++) await many.tick()
  expect(many.sent.map(({ length }) => length)).toEqual([100, 100, 30])
  const long = syncOf([`1 ${'x'.repeat(500_000)}`, `2 ${'x'.repeat(300_000)}`, `3 ${'x'.repeat(300_000)}`, '4'], written)
  long.sync.wake()
  for (let i = 0; i < 4; i++) await long.tick()
  expect(long.sent.map((ids) => ids.map((id) => id[0]))).toEqual([['1'], ['2'], ['3', '4']])
})

test('what was sent already is not sent again by a page that goes', () => {
  const tried = syncOf(['a', 'b'], written)
  tried.effects.freeze(['a'])
  tried.sync.leave()
  expect(tried.transport.leave.mock.calls.map(([, , rows]) => (rows as readonly SentRow[]).map(({ id }) => id))).toEqual([['b']])
  tried.sync.leave()
  expect(tried.transport.leave).toHaveBeenCalledTimes(1)
})
