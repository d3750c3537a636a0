/** A place that the site goes to, with what is live there; `reach` is how it is reached, in a line. */
export type DestinationLine = {
  readonly id: string
  readonly kind: 'web-host' | 'folder' | 'sftp'
  readonly name: string
  readonly reach: string | null
  readonly origin: string | null
  readonly liveUrl: string | null
  readonly number: number | null
}

export const KIND_NAMES: Readonly<Record<DestinationLine['kind'], string>> = {
  'web-host': 'our web host',
  sftp: 'a server, by SFTP',
  folder: 'a folder on this machine',
}
