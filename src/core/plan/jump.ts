import { pageTexts, sectionRows } from '../fill'
import type { Pack } from '../pack'
import { pagePath } from '../pages'
import {
  pagesOf,
  plainWords,
  sectionsOfPage,
  sharedSections,
  type Page,
  type PageId,
  type Place,
  type Section,
  type SectionId,
  type SiteDocument,
} from '../site'

/** Something on a site that can be gone to, by the words on it. */
export type JumpTarget =
  | { readonly type: 'page'; readonly page: PageId; readonly title: string; readonly detail: string; readonly words: string }
  | {
      readonly type: 'section'
      readonly section: SectionId
      readonly page: PageId | null
      readonly title: string
      readonly detail: string
      readonly words: string
    }
  | {
      readonly type: 'place'
      readonly place: Place
      readonly page: PageId | null
      readonly title: string
      readonly detail: string
      readonly words: string
    }

/** Every page, section and filled or leftover place of a site, in reading order. */
export function jumpTargets(pack: Pack, document: SiteDocument): readonly JumpTarget[] {
  return [
    ...pagesOf(document).map((page) => pageTarget(pack, document, page)),
    ...pagesOf(document).flatMap((page) =>
      sectionsOfPage(document, page.id).flatMap((section) => sectionTargets(pack, document, section, page)),
    ),
    ...sharedSections(document).flatMap((section) => sectionTargets(pack, document, section, null)),
  ]
}

function pageTarget(pack: Pack, document: SiteDocument, page: Page): JumpTarget {
  const { name, label, title } = pageTexts(pack, document, page)
  const detail = pagePath(document, page)
  return { type: 'page', page: page.id, title: name, detail, words: folded(`${name} ${label} ${title} ${detail}`) }
}

function sectionTargets(pack: Pack, document: SiteDocument, section: Section, page: Page | null): readonly JumpTarget[] {
  const where = page ? pageTexts(pack, document, page).name : 'every page'
  const title = section.name ?? section.kind.replace('-', ' and ')
  const own: JumpTarget = {
    type: 'section',
    section: section.id,
    page: page?.id ?? null,
    title,
    detail: where,
    words: folded(`${title} ${section.kind} ${section.design} ${section.anchor ?? ''} ${where}`),
  }
  const places = sectionRows(pack, document, section).flatMap(({ place, stands, type, value, placeholder }): readonly JumpTarget[] => {
    if (place !== stands) return []
    const shown = type === 'list' || type === 'image' ? null : (value ?? placeholder)
    const words = shown === null ? '' : plainWords(shown)
    if (words.trim() === '') return []
    return [{ type: 'place', place, page: page?.id ?? null, title: words, detail: `${title}, ${where}`, words: folded(words) }]
  })
  return [own, ...places]
}

/** Words as they are compared: without marks over letters, in small letters. */
export function folded(words: string): string {
  return words
    .normalize('NFKD')
    .replaceAll(/\p{Mn}/gu, '')
    .toLocaleLowerCase()
}

/**
 * What is asked for, the best first: every word must be in it. What begins with the words goes before what has them at the beginning of
 * a word, and that before what has them inside; of equals, what comes first stays first.
 */
export function findAmong<T extends { readonly words: string }>(all: readonly T[], asked: string, most: number): readonly T[] {
  const wanted = folded(asked).split(/\s+/).filter(Boolean)
  if (wanted.length === 0) return all.slice(0, most)
  const scored = all.flatMap((one, i) => {
    const score = scoreOf(one.words, wanted)
    return score === null ? [] : [{ one, score, i }]
  })
  return scored
    .sort((a, b) => b.score - a.score || a.i - b.i)
    .slice(0, most)
    .map(({ one }) => one)
}

function scoreOf(words: string, wanted: readonly string[]): number | null {
  let score = words.startsWith(wanted.join(' ')) ? 4 : 0
  for (const word of wanted) {
    const at = words.indexOf(word)
    if (at < 0) return null
    score += at === 0 || words[at - 1] === ' ' ? 1 : 0
  }
  return score
}
