import type { OwnKind } from './destination-line'

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
  readonly region: string
  readonly bucket: string
  readonly keyId: string
  readonly secretKey: string
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
  region: '',
  bucket: '',
  keyId: '',
  secretKey: '',
}

const USUAL_PORTS: Readonly<Record<OwnKind, string>> = { sftp: '22', ftp: '21', 'object-store': '443', folder: '' }

/** A change to what is typed: another kind is on another port, and what was trusted was one server's. */
export function retyped(now: Typed, part: Partial<Typed>): Typed {
  const next = { ...now, ...part }
  const port = next.kind !== now.kind && (now.port === USUAL_PORTS[now.kind] || now.port === '') ? USUAL_PORTS[next.kind] : next.port
  const isSameServer = next.kind === now.kind && next.host === now.host && port === now.port && next.isSecure === now.isSecure
  return { ...next, port, certificate: isSameServer ? next.certificate : null }
}

/** As it is tried: the key of its host is found out. */
export function triedReach(typed: Typed): object {
  const { kind, host, user, folder, isSecure, certificate, region, bucket } = typed
  const port = Number(typed.port)
  switch (kind) {
    case 'folder':
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
export function keptReach(typed: Typed, knownBy: string | null): object {
  const { kind, host, port, user, folder } = typed
  if (kind === 'folder') return { kind, settings: { folder }, secret: null }
  if (kind !== 'sftp') return triedReach(typed)
  return { kind, settings: { host, port: Number(port), user, folder, hostKey: knownBy }, secret: loginOf(typed) }
}

function loginOf({ opens, password, key, passphrase }: Typed): object {
  return opens === 'password' ? { password } : { key, ...(passphrase && { passphrase }) }
}
