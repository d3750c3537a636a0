import * as v from 'valibot'
import { sitePathSchema, type Manifest } from '../../core/release'
import { DestinationError, isDestinationError, type Adapter, type CallOptions, type Destination, type FileSide } from './destination'

const TIMEOUT_MS = 20_000
/** A connection that the other side let go while it was idle fails at once; asked again it is made anew. */
const TRIES = 2

/** A destination around an adapter: each call has its time, is tried again where the line broke, and fails in one way. */
export function makeDestination(adapter: Adapter, name = 'The destination'): Destination {
  const call: Call = async (make) => {
    for (let tried = 1; ; tried++) {
      try {
        return await withPatience(make)
      } catch (error) {
        const wrapped = wrap(error)
        if (wrapped.fault !== 'down' || tried >= TRIES) throw wrapped
      }
    }
  }
  return {
    name,
    kind: adapter.kind,
    capabilities: adapter.capabilities,
    originOf: adapter.originOf,
    find: (address) => call((options) => adapter.find(address, options)),
    claim: (address, owner) => call((options) => adapter.claim(address, owner, options)),
    deliver: async (address, release, manifest) => {
      const wrong = Object.keys(manifest).find((path) => !v.is(sitePathSchema, path))
      if (wrong !== undefined) throw new Error(`“${wrong}” is no path of a site`)
      const files = adapter.capabilities.canLeadOn ? manifest : withoutRules(manifest)
      const { missing, send, activate } = await call((options) => adapter.deliver(address, release, files, options))
      return {
        missing,
        send: (hash, content) => call((options) => send(hash, content, options)),
        activate: (onPlaced = () => undefined) => call((options) => activate(onPlaced, options)),
      }
    },
    redirect: (from, to) => call((options) => adapter.redirect(from, to, options)),
    files: adapter.files && withTime(adapter.files, call),
  }
}

type Call = <T>(make: (options: CallOptions) => Promise<T>) => Promise<T>

function withTime({ look, adopt }: FileSide, call: Call): Destination['files'] {
  return {
    look: (address) => call((options) => look(address, options)),
    adopt: (address, owner, paths) => call((options) => adopt(address, owner, paths, options)),
  }
}

/** Does something for as long as something happens. */
async function withPatience<T>(make: (options: CallOptions) => Promise<T>): Promise<T> {
  const late = new AbortController()
  let timer: NodeJS.Timeout | undefined
  const alive = (): void => {
    clearTimeout(timer)
    timer = setTimeout(() => late.abort(new DOMException('Nothing happened', 'TimeoutError')), TIMEOUT_MS)
  }
  alive()
  try {
    return await make({ signal: late.signal, alive })
  } finally {
    clearTimeout(timer)
  }
}

/** A release for a destination that takes files only. */
function withoutRules(manifest: Manifest): Manifest {
  return Object.fromEntries(Object.entries(manifest).map(([path, { hash, bytes }]) => [path, { hash, bytes }]))
}

function wrap(error: unknown): DestinationError {
  if (isDestinationError(error)) return error
  const timedOut = error instanceof Error && error.name === 'TimeoutError'
  const words = timedOut ? `no answer within ${TIMEOUT_MS / 1000} s` : 'connection refused or broken off'
  return new DestinationError('down', words, { cause: error })
}
