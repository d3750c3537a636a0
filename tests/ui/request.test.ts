// @vitest-environment jsdom
import { act, createElement } from 'react'
import { createRoot, type Root } from 'react-dom/client'
import * as v from 'valibot'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { ApiError, getJson, NO_ANSWER, sendJson } from '../../src/ui/request/api'
import { useMutation, type Mutation } from '../../src/ui/request/use-mutation'
import { useQuery, type Query } from '../../src/ui/request/use-query'

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('IS_REACT_ACT_ENVIRONMENT', true)
})
const roots: Root[] = []
afterEach(async () => {
  await act(async () => roots.splice(0).forEach((root) => root.unmount()))
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

/** A hook in a component of its own: what it gave back last, and the same again with other arguments. */
async function mounted<A, R>(
  hook: (given: A) => R,
  first: NoInfer<A>,
): Promise<{ now: () => R; again: (given: A) => Promise<void>; leave: () => void }> {
  const root = createRoot(document.createElement('div'))
  roots.push(root)
  let last: R | null = null
  function Probe({ given }: { readonly given: { readonly value: A } }): null {
    last = hook(given.value)
    return null
  }
  const again = (value: A): Promise<void> => act(async () => root.render(createElement(Probe, { given: { value } })))
  await again(first)
  return { now: () => last as R, again, leave: () => root.unmount() }
}

/** Questions that are answered by hand, in any order. */
function questions(): { ask: (name: string) => () => Promise<string>; answer: (name: string, with_: string | Error) => Promise<void> } {
  const open = new Map<string, (with_: string | Error) => void>()
  const made = new Map<string, () => Promise<string>>()
  const ask = (name: string) => {
    const known = made.get(name)
    if (known) return known
    const fresh = (): Promise<string> =>
      new Promise((resolve, reject) => open.set(name, (answer) => (answer instanceof Error ? reject(answer) : resolve(answer))))
    made.set(name, fresh)
    return fresh
  }
  return { ask, answer: (name, answer) => act(async () => open.get(name)!(answer)) }
}
const timers = (ms = 0): Promise<void> => act(async () => void (await vi.advanceTimersByTimeAsync(ms)))

test('an answer counts for its own question alone, in whatever order they come', async () => {
  const { ask, answer } = questions()
  const query = await mounted((name: string) => useQuery(ask(name)), 'first')
  await timers()
  await query.again('second')
  await timers()
  await answer('second', 'two')
  await answer('first', 'one')
  expect(query.now()).toMatchObject({ data: 'two', fault: null, busy: false })
  // What was known of another question is not shown for this one.
  await query.again('third')
  expect(query.now().data).toBe(null)
})

test('what is known stays while it is asked once more, also where that fails; the fault is said once', async () => {
  const { ask, answer } = questions()
  const onFault = vi.fn()
  const query = await mounted((round: string) => useQuery(ask('it'), { round, onFault, otherwise: 'Not now.' }), 'one')
  await timers()
  await answer('it', 'known')
  await query.again('two')
  await timers()
  expect(query.now()).toMatchObject({ data: 'known', busy: true })
  await answer('it', new ApiError(503, 'hostDown', 'The host is away.'))
  expect(query.now()).toMatchObject({ data: 'known', fault: 'The host is away.', busy: false })
  await act(async () => void query.now().refetch())
  await answer('it', new TypeError('a fault of our own'))
  expect(query.now().fault).toBe('Not now.')
  expect(onFault.mock.calls).toEqual([['The host is away.'], ['Not now.']])
  await act(async () => void query.now().refetch())
  await answer('it', 'new')
  expect(query.now()).toMatchObject({ data: 'new', fault: null })
})

test('whoever types is asked for when he rests, and nobody who has left', async () => {
  const asked = vi.fn(() => Promise.resolve('answer'))
  const { again, now, leave } = await mounted((of: (() => Promise<string>) | null): Query<string> => useQuery(of, { restMs: 150 }), null)
  await timers(1000)
  await again(asked)
  await timers(149)
  expect(asked).not.toHaveBeenCalled()
  await timers(1)
  expect([asked.mock.calls.length, now().data]).toEqual([1, 'answer'])
  const late = vi.fn(() => Promise.resolve('late'))
  await again(late)
  await act(async () => leave())
  await timers(1000)
  expect(late).not.toHaveBeenCalled()
})

test('one thing is done at a time; why it was not done is said until it is tried again', async () => {
  const { now } = await mounted((): Mutation => useMutation({ otherwise: 'It was not done.' }), null)
  let fail: (error: Error) => void = () => undefined
  let first: Promise<boolean> = Promise.resolve(true)
  await act(async () => void (first = now().run(() => new Promise((_, reject) => (fail = reject)))))
  expect(now().busy).toBe(true)
  const second = vi.fn(() => Promise.resolve())
  expect(await now().run(second)).toBe(false)
  expect(second).not.toHaveBeenCalled()
  await act(async () => fail(new TypeError('a fault of our own')))
  expect([await first, now().busy, now().fault]).toEqual([false, false, 'It was not done.'])
  const event = { preventDefault: vi.fn() }
  await act(async () => now().handle(second)(event as never))
  expect([event.preventDefault.mock.calls.length, second.mock.calls.length, now().fault]).toEqual([1, 1, null])
})

test('a reply that is not as it should be is no answer; a refusal brings its own sentence, and silence is told as that', async () => {
  const reply = v.object({ name: v.string() })
  const answers = (status: number, body: unknown): void =>
    void vi.stubGlobal('fetch', () => Promise.resolve(new Response(typeof body === 'string' ? body : JSON.stringify(body), { status })))
  const error = vi.spyOn(console, 'error').mockImplementation(() => undefined)
  answers(200, { name: 'Wren', more: 1 })
  expect(await getJson('/a', reply)).toEqual({ name: 'Wren' })
  for (const body of [{ name: 1 }, null, 'no JSON'] as const) {
    answers(200, body)
    await expect(getJson('/a', reply)).rejects.toMatchObject({ code: 'unexpected', message: expect.stringContaining('Reload') as string })
  }
  expect(error).toHaveBeenCalledTimes(3)
  error.mockRestore()
  answers(422, { problem: { code: 'nameWrong', sentence: 'That is no name.' } })
  await expect(sendJson('/a', {})).rejects.toMatchObject({ status: 422, code: 'nameWrong', message: 'That is no name.' })
  answers(502, '<html>')
  await expect(sendJson('/a', {})).rejects.toMatchObject({ status: 502, code: 'unexpected' })
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
  await expect(getJson('/a', reply)).rejects.toMatchObject({ status: 0, code: 'noAnswer', message: NO_ANSWER })
})
