import { afterEach, expect, test, vi } from 'vitest'
import type { Manifest } from '../../src/core/release'
import { DestinationError, type Adapter, type CalledDelivery, type Delivery } from '../../src/server/destinations/destination'
import { makeDestination } from '../../src/server/destinations/shell'

/** An adapter that answers everything, but for what a test has it do. */
function adapter(does: Partial<Adapter>, canLeadOn = true): Adapter {
  const capabilities = { canLeadOn } as Adapter['capabilities']
  return { kind: 'web-host', capabilities, originOf: (address: string) => `http://${address}`, files: null, ...does } as unknown as Adapter
}
/** What is on its way to a destination that sends like this. */
const delivered = (send: Delivery['send']): Promise<CalledDelivery> =>
  makeDestination(adapter({ deliver: async () => ({ missing: [], send, activate: async () => undefined }) })).deliver('a', 'r', {})
const called = async (make: () => Promise<unknown>): Promise<unknown> =>
  make().then(
    () => 'done',
    (error: unknown) => error,
  )

afterEach(() => void vi.useRealTimers())

test('what breaks off once is asked again and goes through; twice, it is down and says of what', async () => {
  const send = vi.fn().mockRejectedValueOnce(new Error('ECONNRESET')).mockResolvedValue(undefined)
  await (await delivered(send)).send('h', Buffer.from('x'))
  expect(send).toHaveBeenCalledTimes(2)
  const broken = new Error('ECONNREFUSED')
  const never = vi.fn().mockRejectedValue(broken)
  const fails = await called(async () => (await delivered(never)).send('h', Buffer.from('x')))
  expect(never).toHaveBeenCalledTimes(2)
  expect(fails).toBeInstanceOf(DestinationError)
  expect(fails).toMatchObject({ fault: 'down', message: expect.stringContaining('broken off') as string, cause: broken })
})

test('what is refused is not asked again, and comes back as it is', async () => {
  for (const fault of ['refused', 'full', 'taken'] as const) {
    const refuses = new DestinationError(fault as never, 'because')
    const claim = vi.fn().mockRejectedValue(refuses)
    expect(await called(() => makeDestination(adapter({ claim })).claim('a', 'job'))).toBe(refuses)
    expect(claim).toHaveBeenCalledTimes(1)
  }
})

test('what goes on is waited for, and what says nothing for twenty seconds is ended', async () => {
  vi.useFakeTimers()
  const find = vi.fn(
    (_: string, { signal, alive }: Parameters<Adapter['find']>[1]) =>
      new Promise<never>((_resolve, reject) => {
        signal.addEventListener('abort', () => reject(signal.reason as Error))
        for (const at of [15_000, 30_000]) setTimeout(alive, at)
      }),
  )
  const waiting = called(() => makeDestination(adapter({ find } as never)).find('a'))
  await vi.advanceTimersByTimeAsync(49_000)
  expect(find).toHaveBeenCalledTimes(1)
  // Twenty seconds after the last sign of life it is ended, and asked once more.
  await vi.advanceTimersByTimeAsync(2000)
  expect(find).toHaveBeenCalledTimes(2)
  await vi.advanceTimersByTimeAsync(51_000)
  expect(await waiting).toMatchObject({ fault: 'down', message: expect.stringContaining('no answer within 20 s') as string })
})

test('rules are told to who can lead on, files alone to who cannot; a path that is none of a site is told to nobody', async () => {
  const manifest = {
    'index.html': { hash: 'h', bytes: 3 },
    'old/index.html': { hash: 'i', bytes: 4, leadsTo: '/new/' },
  } as unknown as Manifest
  for (const canLeadOn of [true, false]) {
    const deliver = vi.fn().mockResolvedValue({ missing: [] })
    await makeDestination(adapter({ deliver }, canLeadOn)).deliver('a', 'r', manifest)
    const told = deliver.mock.calls[0]?.[2] as Manifest
    expect(told['old/index.html']).toEqual(canLeadOn ? manifest['old/index.html'] : { hash: 'i', bytes: 4 })
    expect(Object.keys(told)).toEqual(Object.keys(manifest))
  }
  const deliver = vi.fn()
  const to = makeDestination(adapter({ deliver }))
  for (const path of ['../passwords', '/index.html', '']) {
    const wrong = { ...manifest, [path]: { hash: 'h', bytes: 1 } } as Manifest
    await expect(to.deliver('a', 'r', wrong)).rejects.toThrow('is no path of a site')
  }
  expect(deliver).not.toHaveBeenCalled()
})
