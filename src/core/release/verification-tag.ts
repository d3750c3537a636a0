import { parseFragment } from 'parse5'
import * as v from 'valibot'
import { verificationNameSchema } from '../site'

/** The tag that somebody was given to paste, by its name and content, however its attributes are written; null where it is none. */
export function readVerificationTag(text: string): { readonly name: string; readonly content: string } | null {
  const [tag, ...more] = parseFragment(text.trim()).childNodes
  if (!tag || tag.nodeName !== 'meta' || !('attrs' in tag) || more.length > 0) return null
  const said = new Map(tag.attrs.map(({ name, value }) => [name, value]))
  const [name, content] = [said.get('name') ?? said.get('property'), said.get('content')]
  return name !== undefined && content !== undefined && v.is(verificationNameSchema, name) ? { name, content } : null
}
