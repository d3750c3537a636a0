import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { byAsking, type TabLife } from './tab-life'

/** Several tabs of one browser: what one says, the others hear. */
function browser(): () => TabLife {
  const channels: EventTarget[] = []
  return () => {
    const own = new EventTarget()
    channels.push(own)
    const postMessage = (data: unknown): void => {
      for (const other of channels) if (other !== own) queueMicrotask(() => other.dispatchEvent(new MessageEvent('message', { data })))
    }
    return byAsking(
      Object.assign(own, { postMessage }) as unknown as Pick<BroadcastChannel, 'postMessage' | 'addEventListener' | 'removeEventListener'>,
    )
  }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

const done = vi.fn(() => Promise.resolve())
beforeEach(() => done.mockClear())

test('a tab that lives is not taken for gone, however long it is asked', async () => {
  const tab = browser()
  const [one, other] = [tab(), tab()]
  one.live('one')
  const gone = other.ifGone('one', done)
  await vi.advanceTimersByTimeAsync(60_000)
  expect(await gone).toBe(false)
  expect(done).not.toHaveBeenCalled()
})

test('one that crashed without a word is gone once it does not answer', async () => {
  const other = browser()()
  const gone = other.ifGone('one', done)
  await vi.advanceTimersByTimeAsync(60_000)
  expect(await gone).toBe(true)
  expect(done).toHaveBeenCalledTimes(1)
})

test('whoever waits for one that lives hears of it when it goes, with a word or without', async () => {
  const tab = browser()
  const [one, two, other] = [tab(), tab(), tab()]
  const leave = one.live('one')
  const waited = other.whenGone('one', () => Promise.resolve('taken over'))
  await vi.advanceTimersByTimeAsync(25_000)
  leave()
  await vi.advanceTimersByTimeAsync(3000)
  expect(await waited).toBe('taken over')
  const crash = two.live('two')
  const later = other.whenGone('two', done)
  await vi.advanceTimersByTimeAsync(25_000)
  expect(done).not.toHaveBeenCalled()
  crash()
  await vi.advanceTimersByTimeAsync(15_000)
  await later
  expect(done).toHaveBeenCalledTimes(1)
})
