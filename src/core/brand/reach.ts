import { openPage, renderBody, type Site } from '../render'
import type { Section, TextStyleName } from '../site'

/** How many places of a site something is found at, and on how many pages; every page shares header and footer. */
export type Reach = { readonly places: number; readonly pages: number }

/** How each text style is found in a page's HTML. */
const FOUND: Readonly<Record<Exclude<TextStyleName, 'menu'>, RegExp>> = {
  h1: /<h1[\s>]/g, h2: /<h2[\s>]/g, h3: /<h3[\s>]/g, h4: /<h4[\s>]/g, h5: /<h5[\s>]/g, h6: /<h6[\s>]/g, body: /<(?:p|li|dd)[\s>]/g, small: /<(?:small|figcaption)[\s>]/g, quote: /<blockquote[\s>]/g, button: /class="[^"]*\bbutton\b/g
}

const bodies = new WeakMap<object, readonly string[]>()

function pageBodies(site: Site): readonly string[] {
  let found = bodies.get(site.document)
  if (!found) {
    found = site.document.pages.map((page) => renderBody(openPage({ ...site, mode: 'release' }, page)))
    bodies.set(site.document, found)
  }
  return found
}

/** What a text style reaches. */
export function reachOfStyle(site: Site, style: TextStyleName): Reach {
  const { pages } = site.document
  if (style === 'menu') return { places: pages.filter((p) => p.menu === undefined).length, pages: pages.length }
  const counts = pageBodies(site).map((html) => html.match(FOUND[style])?.length ?? 0)
  return { places: counts.reduce((sum, n) => sum + n, 0), pages: counts.filter((n) => n > 0).length }
}

/** The sections of a site that stand on a tone. */
export function reachOfTone(site: Site, tone: Section['tone']): Reach {
  const on = (sections: readonly Section[]): number => sections.filter((s) => s.tone === tone).length
  const { header, footer, pages } = site.document
  const shared = on([header, footer])
  return { places: shared + on(pages.flatMap((p) => p.sections)), pages: pages.filter((p) => shared > 0 || on(p.sections) > 0).length }
}
