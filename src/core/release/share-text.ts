import type { Facts } from '../site'

/** What somebody sends who tells others of a site: whose it is, its line if there is one, and the address on a line of its own. */
export function shareText({ name, tagline }: Pick<Facts, 'name' | 'tagline'>, url: string): string {
  const [who = '', line = ''] = [name?.trim(), tagline?.trim()]
  const said = who && line ? `${who}: ${line}` : who || line
  return said ? `${said}\n${url}` : url
}
