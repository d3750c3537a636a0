import type { ManifestEntry } from './manifest'

/** What came when a visitor's browser asked for an address; hash and size in bytes of what was in the answer. */
export type Answered = {
  readonly status: number
  readonly type: string | null
  readonly location: string | null
  readonly hash: string
  readonly bytes: number
}

/** Where visitors find a file of a site: a folder's own page at the folder. */
export function pathOfVisitors(file: string): string {
  return `/${file.replace(/(^|\/)index\.html$/, '$1')}`.split('/').map(encodeURIComponent).join('/')
}

/** What files of some endings have to be called, so that browsers take them for what they are (IANA's media types). */
const TYPES: ReadonlyMap<string, RegExp> = new Map([
  ['html', /^text\/html\b/],
  ['css', /^text\/css\b/],
  ['svg', /^image\/svg\+xml\b/],
  ['png', /^image\/png\b/],
  ['jpg', /^image\/jpeg\b/],
  ['webp', /^image\/webp\b/],
  ['avif', /^image\/avif\b/],
  ['pdf', /^application\/pdf\b/],
])

/**
 * What is wrong with what visitors get for a file, in words; null where it is what was sent. `leads` says where it leads on: by a rule, or
 * by the page that was sent, which does so itself.
 */
export function visitorFault(file: string, sent: ManifestEntry, got: Answered, leads: string | null): string | null {
  const isRedirect = got.status >= 300 && got.status < 400
  const leadsByItself = got.status === 200 && got.hash === sent.hash
  if (leads !== null && !leadsByItself)
    return isRedirect && got.location === leads ? null : `It is to lead on to ${leads}, and ${saidOf(got)}.`
  const wanted = file === '404.html' ? 404 : 200
  if (got.status !== wanted) return isRedirect ? `It leads on to ${got.location ?? 'nowhere'}.` : `It answers with status ${got.status}.`
  if (got.hash !== sent.hash) return `Something else comes than was sent: ${bytes(got.bytes)}, where ${bytes(sent.bytes)} were sent.`
  const type = TYPES.get(file.split('.').at(-1) ?? '')
  if (type && !type.test(got.type ?? '')) return `It is called “${got.type ?? 'nothing'}”, so browsers take it for something else.`
  return null
}

function bytes(count: number): string {
  return `${count} ${count === 1 ? 'byte' : 'bytes'}`
}

function saidOf({ status, location }: Answered): string {
  return location === null ? `answers with status ${status}` : `leads to ${location}`
}
