import * as v from 'valibot'
import { isTableName } from './ids'

export const MAX_VERIFICATIONS = 40
/** The longest that a tag's content, and that a file, may be, in UTF-16 units. */
export const MAX_TAG = 300
export const MAX_VERIFICATION_FILE = 10_000

const FILE_NAME = /^[A-Za-z0-9][\w-]{0,79}\.(?:html|txt|xml)$/
/** Names that a page says other things by (HTML, 4.2.5.1 and “Other metadata names”). */
const TAKEN = new Set('application-name author description generator keywords referrer theme-color color-scheme viewport robots'.split(' '))
/** Files that a release has of its own. */
const OWN_FILES = new Set(['index.html', '404.html', 'robots.txt', 'sitemap.xml'])
/** What a verifying page may be made of; nothing that runs or fetches. */
const PLAIN_TAGS = /^(?:!doctype|\?xml|\/?(?:html|head|title|body|p|h1|br|urlset|url|loc|users|user|verification)|meta)$/i

/**
 * Whether a name is one of a file at the root of the site, rather than of a tag in the head of the home page: both show a service whose
 * site this is.
 */
export function isVerificationFile(name: string): boolean {
  return FILE_NAME.test(name)
}

export const verificationNameSchema = v.pipe(
  v.string(),
  v.maxLength(90),
  v.regex(/^[A-Za-z][\w.:-]*$|^[A-Za-z0-9][\w-]*\.(?:html|txt|xml)$/),
  v.check((name) => isTableName(name) && !TAKEN.has(name.toLowerCase()) && !OWN_FILES.has(name.toLowerCase()), 'The site says that itself'),
)
export const verificationSchema = v.pipe(v.string(), v.minLength(1), v.maxLength(MAX_VERIFICATION_FILE))

/** Why a content cannot stand under a name; null where it can. */
export function findVerificationFault(name: string, content: string): 'tooLong' | 'active' | null {
  // oxlint-disable-next-line no-control-regex
  if (!isVerificationFile(name)) return content.length > MAX_TAG || /[\u0000-\u001f]/.test(content) ? 'tooLong' : null
  if (content.length > MAX_VERIFICATION_FILE) return 'tooLong'
  const tags = [...content.matchAll(/<\s*([^\s>]*)([^>]*)/g)]
  const isActive = tags.some(([, tag = '', rest = '']) => !PLAIN_TAGS.test(tag.replace(/\/$/, '')) || /\bon\w+\s*=|http-equiv/i.test(rest))
  return isActive ? 'active' : null
}
