import * as v from 'valibot'
import { linkTargetSchema, type LinkTarget } from '../site'

/**
 * Where a link leads, in one word: `page:about`, `section:…`, `fact:phone`, `file:hash:size:name`, or the address itself. What packs
 * write and what a copied link carries; read back by `parseTargetText`.
 */
export function targetText(to: LinkTarget): string {
  switch (to.type) {
    case 'page':
      return `page:${to.page}`
    case 'section':
      return `section:${to.section}`
    case 'fact':
      return `fact:${to.fact}`
    case 'file':
      return `file:${to.hash}:${to.bytes}:${encodeURIComponent(to.name)}`
    case 'url':
      return to.url
    default:
      return to satisfies never
  }
}

/** The target that a word says, whatever it leads to; addresses are not judged here. Null for a file or a fact that cannot be. */
export function parseTargetText(text: string): LinkTarget | null {
  const [, type, rest = ''] = /^(page|section|fact|file):([^]*)$/.exec(text) ?? []
  if (type === undefined) return { type: 'url', url: text }
  const [hash, bytes, ...name] = rest.split(':')
  const given = type === 'file' ? { type, hash, bytes: Number(bytes), name: decoded(name.join(':')) } : { type, [type]: rest }
  const found = v.safeParse(linkTargetSchema, given)
  return found.success ? found.output : null
}

function decoded(name: string): string {
  try {
    return decodeURIComponent(name)
  } catch {
    return ''
  }
}
