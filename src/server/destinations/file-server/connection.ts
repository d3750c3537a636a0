import { isDestinationError, type CallOptions } from '../destination'
import type { OpenServer } from './file-server'
import type { SentContents } from './sent-contents'
import { OwnListFile } from './own-list-file'
import type { Opened } from './standing'

/** Works on one connection for as long as it lasts; one that broke, or on which a call took too long, is made anew the next time. */
export function connected(
  open: OpenServer,
  kept: SentContents,
): <T>(options: CallOptions, work: (opened: Opened) => Promise<T>) => Promise<T> {
  let opened: Promise<Opened> | null = null
  const calls = new Set<CallOptions>()
  const alive = (): void => calls.forEach((call) => call.alive())
  const drop = (broken: Promise<Opened>): void => {
    if (opened === broken) opened = null
    void broken.then(
      ({ server }) => server.close(),
      () => undefined,
    )
  }
  return async (options, work) => {
    const mine = (opened ??= open(alive).then((server) => ({ server, ownList: new OwnListFile(server, kept) })))
    // What could not be opened is no connection, whatever the reason.
    mine.catch(() => drop(mine))
    calls.add(options)
    const late = new Promise<never>((_, refuse) =>
      options.signal.addEventListener('abort', () => refuse(options.signal.reason as Error), { once: true }),
    )
    try {
      return await Promise.race([mine.then(work), late])
    } catch (error) {
      if (!isDestinationError(error) || error.fault === 'down') drop(mine)
      throw error
    } finally {
      calls.delete(options)
    }
  }
}
