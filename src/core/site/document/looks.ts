import { memoBy, memoOf } from '../../memo'
import { pagesOf, sectionsIn, sectionsOfPage, sharedSections, type SiteDocument } from './document'
import { shapeOf } from './order'
import type { Section } from './section'

/** What a section wears: all that style sheets have to know of it. */
export type Look = Pick<Section, 'kind' | 'design' | 'tone'>

/** The looks of a row of sections, under one name for all rows that look the same. */
type Row = { readonly name: string; readonly looks: readonly Look[] }

/** Answers of late by the names of their rows, so that a site which looks as before gives the very same answer. */
const answers = new Map<string, readonly Look[]>()
const MOST_ANSWERS = 50

/**
 * Every look that stands on a site, once each: at the head and foot of every page, on its pages in order, where an address is wrong. Typing
 * changes no look, and the answer then is the very one of before.
 */
export const looksOf = memoBy(({ sections, pages, plan }: SiteDocument) => [shapeOf(sections), pages, plan], findLooks)

/** The same by their names: what only moves leaves this answer the very one of before, and so the style sheets that are made of it. */
export function looksByName(document: SiteDocument): readonly Look[] {
  return byName(looksOf(document))
}

const byName = memoOf((looks: readonly Look[]) => {
  const sorted = looks.toSorted((a, b) => (nameOf(a) < nameOf(b) ? -1 : 1))
  return answerFor(`by name ${sorted.map(nameOf).join(' ')}`, () => sorted)
})

function answerFor(asked: string, make: () => readonly Look[]): readonly Look[] {
  let found = answers.get(asked)
  if (!found) {
    found = make()
    if (answers.size >= MOST_ANSWERS) answers.clear()
    answers.set(asked, found)
  }
  return found
}

/** The rows of the site asked about last, with its answer: typing changes none of them. */
let last: { readonly rows: readonly Row[]; readonly looks: readonly Look[] } | null = null

function findLooks(document: SiteDocument): readonly Look[] {
  const rows = [
    rowOf(sharedSections(document)),
    ...pagesOf(document).map((page) => rowOf(sectionsOfPage(document, page.id))),
    rowOf(sectionsIn(document, { type: 'notFound' })),
  ]
  const before = last
  if (before?.rows.length === rows.length && rows.every(({ name }, i) => name === before.rows[i]?.name)) return before.looks
  const named = new Map(rows.map(({ name, looks }) => [name, looks]))
  const looks = answerFor([...named.keys()].join('\n'), () => onceEach([...named.values()].flat()))
  last = { rows, looks }
  return looks
}

const rowOf = memoOf((sections: readonly Section[]): Row => {
  const looks = onceEach(sections)
  return { name: looks.map(nameOf).join(' '), looks }
})

function onceEach(of: readonly Look[]): readonly Look[] {
  return [...new Map(of.map(({ kind, design, tone }) => [nameOf({ kind, design, tone }), { kind, design, tone }])).values()]
}

function nameOf({ kind, design, tone }: Look): string {
  return `${kind}/${design}/${tone}`
}
