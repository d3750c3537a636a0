import { toSegment } from '../pages'
import {
  findSection,
  pagesIn,
  rankBetween,
  sectionsIn,
  type EditStep,
  type Listed,
  type PageIn,
  type Section,
  type SectionId,
  type Signpost,
  type SiteDocument,
} from '../site'

/** The steps that name a section for links, where it has no name yet: of what it is called, free on its page. */
export function anchorSteps(document: SiteDocument, id: SectionId): readonly EditStep[] {
  const section = findSection(document, id)
  if (!section || section.anchor !== undefined) return []
  return [{ type: 'section/set', section: id, part: 'anchor', value: freeAnchor(document, section, section.name ?? section.kind) }]
}

/** A name for links out of any words, that no other section of the page has. */
export function freeAnchor(document: SiteDocument, section: Section, words: string): string {
  const spelt = toSegment(words, 50).replace(/^[^a-z]+/, '') || section.kind
  const taken = new Set(sectionsIn(document, section.in).flatMap((s) => (s.id === section.id ? [] : [s.anchor])))
  // `main` is the name of every page's own part.
  taken.add('main')
  let free = spelt
  for (let n = 2; taken.has(free); n++) free = `${spelt}-${n}`
  return free
}

/** A menu entry that is no page, at the end of what stands there. */
export function newSignpost(document: SiteDocument, id: string, label: string, listed: Listed): Signpost {
  return {
    id,
    in: { type: 'site' },
    rank: rankAtEnd(document, { type: 'site' }),
    listed,
    label: { text: label },
    to: { type: 'url', url: 'https://' },
  }
}

/** The rank right behind a page in its place of the tree; null: before all that stands there. */
export function rankAfter(document: SiteDocument, where: PageIn, after: string | null): string {
  const pages = pagesIn(document, where)
  const at = after === null ? -1 : pages.findIndex((page) => page.id === after)
  return rankBetween(pages[at]?.rank ?? null, pages[at + 1]?.rank ?? null)
}

/** The rank behind every page in a place of the tree. */
export function rankAtEnd(document: SiteDocument, where: PageIn): string {
  return rankAfter(document, where, pagesIn(document, where).at(-1)?.id ?? null)
}
