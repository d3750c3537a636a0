import { createHash } from 'node:crypto'
import type { Manifest } from '../../src/core/release'

/** How many pages the site has that is published again and again. */
export const PAGES = 12

/** A release of a number: every page says it and names the style sheet of its own, which says it too; pictures stay as they are. */
export function siteOf(number: number): { readonly manifest: Manifest; readonly contents: ReadonlyMap<string, Buffer> } {
  const style = `body{--number:${number}}\n${'/* as it is */\n'.repeat(400)}`
  const styleFile = `style-${hashOf(style).slice(0, 8)}.css`
  const page = (at: number): string =>
    `<!doctype html><title>${number}</title><link rel="stylesheet" href="/${styleFile}"><p>Page ${at} says ${number}.</p>` +
    `${'<p>words</p>'.repeat(900)}<!--end ${number}-->`
  const files = new Map<string, string>([
    ...Array.from({ length: PAGES }, (_, at) => [at === 0 ? 'index.html' : `p${at}/index.html`, page(at)] as const),
    [styleFile, style],
    ...Array.from(
      { length: 8 },
      (_, at) => [`picture-${at}.svg`, `<svg xmlns="http://www.w3.org/2000/svg"><!--${'x'.repeat(4000 + at)}--></svg>`] as const,
    ),
  ])
  const entries = [...files].map(([name, text]) => [name, Buffer.from(text)] as const)
  return {
    manifest: Object.fromEntries(entries.map(([name, bytes]) => [name, { hash: hashOf(bytes), bytes: bytes.length }])),
    contents: new Map(entries.map(([, bytes]) => [hashOf(bytes), bytes])),
  }
}

function hashOf(content: string | Buffer): string {
  return createHash('sha256').update(content).digest('hex')
}
