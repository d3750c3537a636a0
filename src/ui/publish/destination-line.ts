/** A place that the site goes to, with what is live there; `connection` is how it is reached, in a line. */
export type DestinationLine = {
  readonly id: string
  readonly kind: 'web-host' | OwnKind
  readonly name: string
  readonly connection: string | null
  readonly settings: Readonly<Record<string, unknown>> | null
  readonly origin: string | null
  readonly liveUrl: string | null
  readonly number: number | null
  /** Visitors see a release there once it is published; else somebody puts it up by hand. */
  readonly isSeenAtOnce: boolean
}
export type OwnKind = 'sftp' | 'ftp' | 'object-store' | 'folder' | 'zip'

/** Kinds that lie on this machine: nothing lets us in there, and no visitor is asked for. */
export const isOnThisMachine = (kind: DestinationLine['kind']): boolean => kind === 'folder' || kind === 'zip'

export const KIND_NAMES: Readonly<Record<DestinationLine['kind'], string>> = {
  'web-host': 'our web host',
  sftp: 'a server, by SFTP',
  ftp: 'a server, by FTP',
  'object-store': 'an object store (S3)',
  folder: 'a folder on this machine',
  zip: 'a zip, put up by hand',
}
