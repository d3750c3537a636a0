import { openPage, renderBody, type Site } from '../render'
import { TEXT_STYLES, type Page, type TextStyleName } from '../site'

/** Words of the site's own for each text style, from the page in hand first, then from the others; empty where no page has any. */
export type Specimen = Readonly<Record<TextStyleName, string>>

const FOUND: Readonly<Record<TextStyleName, RegExp>> = {
  h1: /<h1[^>]*>([\s\S]*?)<\/h1>/, h2: /<h2[^>]*>([\s\S]*?)<\/h2>/, h3: /<h3[^>]*>([\s\S]*?)<\/h3>/, h4: /<h4[^>]*>([\s\S]*?)<\/h4>/, h5: /<h5[^>]*>([\s\S]*?)<\/h5>/, h6: /<h6[^>]*>([\s\S]*?)<\/h6>/,
  body: /<p[^>]*>((?:(?!<\/p>)[\s\S]){70,}?)<\/p>/, small: /<(?:small|figcaption)[^>]*>([\s\S]+?)<\/(?:small|figcaption)>/, quote: /<blockquote[^>]*>([\s\S]+?)<\/blockquote>/,
  button: /<a[^>]*class="[^"]*\bbutton\b[^"]*"[^>]*>([\s\S]+?)<\/a>/, menu: /<nav[^>]*>[\s\S]*?<ul[^>]*>([\s\S]*?)<\/ul>/,
}
/** Where a page has no words in a style, those of a neighbour in rank show it. */
const INSTEAD: Partial<Record<TextStyleName, TextStyleName>> = { h3: 'h2', h4: 'h3', h5: 'h4', h6: 'h5', quote: 'body', small: 'body', button: 'h3' }

export function findSpecimen(site: Site, page: Page): Specimen {
  const pages = [page, ...site.document.pages.filter((p) => p.id !== page.id)].map((p) => renderBody(openPage({ ...site, mode: 'release' }, p)))
  const found = Object.fromEntries(TEXT_STYLES.map((name) => [name, pages.map((html) => plain(FOUND[name].exec(html)?.[1] ?? '')).find((words) => words !== '') ?? ''])) as Record<TextStyleName, string>
  for (const name of TEXT_STYLES) if (found[name] === '') found[name] = found[INSTEAD[name] ?? name]
  return found
}

function plain(html: string): string {
  const words = html.replaceAll(/<\/(?:a|li|p)>/g, ' ').replaceAll(/<[^>]*>/g, '').replaceAll('&amp;', '&').replaceAll('&lt;', '<').replaceAll('&gt;', '>').replaceAll('&quot;', '"').replaceAll('&#39;', '’')
  return words.replaceAll(/\s+/g, ' ').trim().slice(0, 240)
}
