import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { byAsking } from '../../src/ui/job/tab-life'

type Hears = (event: MessageEvent) => void
/** Channels of one browser: what one says all others hear, a moment later, as HTML has it (“Broadcasting”). */
function channels(): () => Parameters<typeof byAsking>[0] {
  const all: Set<Hears>[] = []
  return () => {
    const own = new Set<Hears>()
    all.push(own)
    return {
      postMessage: (data: unknown) =>
        void setTimeout(
          () => all.filter((one) => one !== own).forEach((one) => [...one].forEach((hear) => hear({ data } as MessageEvent))),
          5,
        ),
      addEventListener: (_: string, hear: unknown) => void own.add(hear as Hears),
      removeEventListener: (_: string, hear: unknown) => void own.delete(hear as Hears),
    } as Parameters<typeof byAsking>[0]
  }
}

beforeEach(() => void vi.useFakeTimers())
afterEach(() => void vi.useRealTimers())

test('over plain HTTP a tab that answers lives, and one that does not is gone after two seconds', async () => {
  const open = channels()
  const [mine, other] = [byAsking(open()), byAsking(open())]
  other.live('other')
  const then = vi.fn().mockResolvedValue(undefined)
  const lives = mine.ifGone('other', then)
  await vi.advanceTimersByTimeAsync(20)
  expect(await lives).toBe(false)
  expect(then).not.toHaveBeenCalled()
  const gone = mine.ifGone('nobody', then)
  await vi.advanceTimersByTimeAsync(1990)
  expect(then).not.toHaveBeenCalled()
  await vi.advanceTimersByTimeAsync(20)
  expect(await gone).toBe(true)
  expect(then).toHaveBeenCalledTimes(1)
})

test('a tab that says that it goes is gone as soon as it does not answer; one that goes without a word, with the next asking', async () => {
  const open = channels()
  const [mine, other, third] = [byAsking(open()), byAsking(open()), byAsking(open())]
  const leave = other.live('other')
  const stays = third.live('third')
  const taken = vi.fn().mockResolvedValue('rows')
  const said = mine.whenGone('other', taken)
  await vi.advanceTimersByTimeAsync(5000)
  expect(taken).not.toHaveBeenCalled()
  // Another that goes is not this one.
  stays()
  await vi.advanceTimersByTimeAsync(3000)
  expect(taken).not.toHaveBeenCalled()
  leave()
  await vi.advanceTimersByTimeAsync(2100)
  expect(await said).toBe('rows')
  // One that crashed says nothing: it is asked again every ten seconds.
  const channel = open()
  const crashed = byAsking(channel)
  crashed.live('crashed')
  const later = vi.fn().mockResolvedValue('its rows')
  const waited = mine.whenGone('crashed', later)
  await vi.advanceTimersByTimeAsync(1000)
  channel.removeEventListener = () => undefined
  ;(channel as { postMessage: unknown }).postMessage = () => undefined
  await vi.advanceTimersByTimeAsync(8000)
  expect(later).not.toHaveBeenCalled()
  await vi.advanceTimersByTimeAsync(4100)
  expect(await waited).toBe('its rows')
})
