import { isOnThisMachine, type DestinationLine, type OwnKind } from './destination-line'

/** A new destination, as it is typed. */
export type Typed = {
  readonly kind: OwnKind
  readonly name: string
  readonly origin: string
  readonly host: string
  readonly port: string
  readonly user: string
  readonly folder: string
  readonly opens: 'password' | 'key'
  readonly password: string
  readonly key: string
  readonly passphrase: string
  readonly isSecure: boolean
  /** A certificate that nobody vouches for, and that is trusted all the same. */
  readonly certificate: string | null
  /** The key of a host that is known already. */
  readonly hostKey: string | null
  readonly region: string
  readonly bucket: string
  readonly keyId: string
  readonly secretKey: string
  /** What lets us in is kept already: left empty here, it stays. */
  readonly isKept: boolean
}

export const NOTHING_TYPED: Typed = {
  kind: 'sftp',
  name: '',
  origin: '',
  host: '',
  port: '22',
  user: '',
  folder: '',
  opens: 'password',
  password: '',
  key: '',
  passphrase: '',
  isSecure: true,
  certificate: null,
  hostKey: null,
  region: '',
  bucket: '',
  keyId: '',
  secretKey: '',
  isKept: false,
}

const USUAL_PORTS: Readonly<Record<OwnKind, string>> = { sftp: '22', ftp: '21', 'object-store': '443', folder: '', zip: '' }

/** A change to what is typed: another kind is on another port, and what was trusted was one server's. `kept` is how it was before. */
export function retyped(now: Typed, part: Partial<Typed>, kept: Typed | null): Typed {
  const changed = { ...now, ...part }
  const isUsual = now.port === USUAL_PORTS[now.kind] || now.port === ''
  const next = changed.kind !== now.kind && isUsual ? { ...changed, port: USUAL_PORTS[changed.kind] } : changed
  if (isSameServer(next, now)) return next
  const { certificate, hostKey } = kept && isSameServer(next, kept) ? kept : NOTHING_TYPED
  return { ...next, certificate, hostKey }
}

function isSameServer(one: Typed, other: Typed): boolean {
  return (['kind', 'host', 'port', 'isSecure'] as const).every((part) => one[part] === other[part])
}

/** A destination that is kept, as it would be typed: nothing of what lets us in is known here. */
export function typedOf({ kind, name, origin, settings }: DestinationLine): Typed {
  const said = new Map(Object.entries(settings ?? {}))
  const text = (part: string): string => String(said.get(part) ?? '')
  const proof = (part: string): string | null => (said.get(part) === undefined || said.get(part) === null ? null : text(part))
  return {
    ...NOTHING_TYPED,
    kind: kind === 'web-host' ? 'folder' : kind,
    name,
    origin: origin ?? '',
    host: text('host'),
    port: text('port'),
    user: text('user'),
    folder: text('folder'),
    isSecure: said.get('isSecure') === true,
    certificate: proof('certificate'),
    hostKey: proof('hostKey'),
    region: text('region'),
    bucket: text('bucket'),
    isKept: !isOnThisMachine(kind),
  }
}

/** Whether what lets us in was left empty: of a destination that is kept, what is kept stays then. */
export function isLeftEmpty({ isKept, password, key, keyId, secretKey }: Typed): boolean {
  return isKept && [password, key, keyId, secretKey].every((one) => one === '')
}

/** Whether two lead to the same server, known by the same, as the same user: what is kept goes nowhere else. */
export function isSameDoor(one: Typed, other: Typed): boolean {
  return isSameServer(one, other) && (['user', 'certificate', 'hostKey'] as const).every((part) => one[part] === other[part])
}

/** As one that is kept is changed: where nothing was typed that lets us in, what is kept stays, for the server that it is known of. */
export function changedConnection(typed: Typed, knownBy: string | null): object {
  const connection = savedConnection(typed, knownBy ?? typed.hostKey)
  return isLeftEmpty(typed) ? { ...connection, secret: null } : connection
}

/** As it is tried: the key of its host is found out. */
export function testedConnection(typed: Typed): object {
  const { kind, host, user, folder, isSecure, certificate, region, bucket } = typed
  const port = Number(typed.port)
  switch (kind) {
    case 'folder':
    case 'zip':
      return { kind, settings: { folder } }
    case 'object-store':
      return { kind, settings: { host, port, isSecure, region, bucket, folder }, secret: { keyId: typed.keyId, key: typed.secretKey } }
    case 'ftp':
      return { kind, settings: { host, port, user, folder, isSecure, certificate }, secret: { password: typed.password } }
    default:
      return { kind, settings: { host, port, user, folder }, secret: loginOf(typed) }
  }
}

/** As it is kept: with the key that its host has shown. */
export function savedConnection(typed: Typed, knownBy: string | null): object {
  const { kind, host, port, user, folder } = typed
  if (isOnThisMachine(kind)) return { kind, settings: { folder }, secret: null }
  if (kind !== 'sftp') return testedConnection(typed)
  return { kind, settings: { host, port: Number(port), user, folder, hostKey: knownBy }, secret: loginOf(typed) }
}

function loginOf({ opens, password, key, passphrase }: Typed): object {
  return opens === 'password' ? { password } : { key, ...(passphrase && { passphrase }) }
}
