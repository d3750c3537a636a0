import type { FilesStanding, Manifest } from '../../core/release'

/** What a destination can do beyond taking files; what is false here is not asked of it. */
export type Capabilities = {
  /** Visitors see the old site or the new one, never a mix. */
  readonly canSwitchAtomically: boolean
  /** Visitors see a release once it was switched to; else somebody puts it up by hand. */
  readonly isSeenAtOnce: boolean
  /** Visitors of an address that was left can be sent on to the new one. */
  readonly canRedirect: boolean
  /** It leads visitors on from an address of a release by a rule (HTTP 301), rather than by a page that does. */
  readonly canLeadOn: boolean
  /** It gives out addresses of its own, and says which are taken. */
  readonly givesAddresses: boolean
  /** What was sent once is kept there, so that an earlier release is put back without being sent again. */
  readonly keepsContent: boolean
}

/** `alike`: nothing is at the address itself, but it could be mistaken for that one. */
export type HostedSite = { readonly owner: string; readonly release: string | null; readonly alike?: string }
/** Ends a call in which nothing happens for too long; `alive` says that something does. */
export type CallOptions = { readonly signal: AbortSignal; readonly alive: () => void }

/** How many files of a release are in their places, and of how many. */
export type OnPlaced = (done: number, total: number) => void

/** What every kind of destination brings. Each call can be made again and changes nothing the second time. */
export type Adapter = {
  readonly kind: string
  readonly capabilities: Capabilities
  /** The public origin of a site at an address. */
  readonly originOf: (address: string) => string
  /** The site at an address; null where there is none. */
  readonly find: (address: string, options: CallOptions) => Promise<HostedSite | null>
  /** Makes an address this owner's; refused where it is another's. */
  readonly claim: (address: string, owner: string, options: CallOptions) => Promise<void>
  /** Begins to bring a release there; nothing of it is seen before it is activated. */
  readonly deliver: (address: string, release: string, manifest: Manifest, options: CallOptions) => Promise<Delivery>
  readonly redirect: (from: string, to: string, options: CallOptions) => Promise<void>
  /** Where others put files too: what is there is looked at first. Null where nobody else can. */
  readonly files: FileSide | null
}

/** A release on its way to a destination: what it lacks there, is sent, and is switched to. */
export type Delivery = {
  /** The hashes of the content that is not there yet. */
  readonly missing: readonly string[]
  readonly send: (hash: string, content: Buffer, options: CallOptions) => Promise<void>
  /** Switches visitors to the release once its content is all there; where that is done file by file, `onPlaced` is told of each. */
  readonly activate: (onPlaced: OnPlaced, options: CallOptions) => Promise<void>
}

export type FileSide = {
  readonly look: (address: string, options: CallOptions) => Promise<FilesStanding>
  /** Makes files that are not ours this owner's, so that they can be written over. */
  readonly adopt: (address: string, owner: string, paths: readonly string[], options: CallOptions) => Promise<void>
}

/** An adapter as the application uses it: time-outs, checks and wrapping of errors are the shell's. */
export type Destination = Called<Omit<Adapter, 'files' | 'deliver'>> & {
  readonly deliver: (address: string, release: string, manifest: Manifest) => Promise<CalledDelivery>
  /** What it is called in a sentence. */
  readonly name: string
  readonly files: Called<FileSide> | null
}
export type CalledDelivery = Called<Pick<Delivery, 'missing' | 'send'>> & { readonly activate: (onPlaced?: OnPlaced) => Promise<void> }
type Called<T> = {
  readonly [K in keyof T]: T[K] extends (...args: infer A) => infer R ? (...args: A extends [...infer B, CallOptions] ? B : A) => R : T[K]
}

/** Known by its name: the bundler may load this module more than once, and then there is more than one such class. */
export function isDestinationError(error: unknown): error is DestinationError {
  return error instanceof Error && error.name === 'DestinationError'
}

/** `inTheWay`: files that are not ours stand where ours go; the message names them. */
export type DestinationFault = 'down' | 'full' | 'refused' | 'taken' | 'inTheWay'

/** Anything that fails at a destination, wrapped once; `message` says what the other side said. */
export class DestinationError extends Error {
  constructor(
    readonly fault: DestinationFault,
    message: string,
    options?: ErrorOptions,
  ) {
    super(message, options)
    this.name = 'DestinationError'
  }
}
