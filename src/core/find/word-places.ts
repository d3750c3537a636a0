import { capital } from '../capital'
import { pageTexts, sectionRows, type LedgerRow } from '../fill'
import { memoBy } from '../memo'
import type { Pack } from '../pack'
import {
  FACT_LIMITS,
  factsOf,
  isSame,
  PAGE_TEXTS,
  pagesOf,
  runWords,
  sectionsIn,
  sectionsOfPage,
  sharedSections,
  type Page,
  type PageId,
  type Place,
  type RichText,
  type Section,
  type SiteDocument,
  type SlotValue,
  type TextFact,
} from '../site'

/** A place that holds words of the site's own: what it is called, on which page it stands, and its words line by line. */
export type WordPlace = {
  readonly place: Place
  readonly name: string
  /** The page that it stands on; null for what every page shows. */
  readonly page: PageId | null
  readonly where: string
  readonly value: SlotValue | null
  /** The client's words are the template's: they were kept. */
  readonly isKept: boolean
  readonly lines: readonly string[]
}

/** A chip in the middle of words: nothing that is looked for is found in it. */
export const CHIP = '\ufffc'

/** Every place with words of the site's own, in reading order: its pages', then what all of them share. */
export function wordPlaces(pack: Pack, document: SiteDocument): readonly WordPlace[] {
  return [
    ...pagesOf(document).flatMap((page) => placesOfPage(pack, document, page)),
    ...sectionsIn(document, { type: 'notFound' }).flatMap((section) => placesOfSection(pack, document, section, null, 'Wrong address')),
    ...sharedSections(document).flatMap((section) => placesOfSection(pack, document, section, null, 'every page')),
    ...factPlaces(document),
    ...labelPlaces(document),
  ]
}

function placesOfPage(pack: Pack, document: SiteDocument, page: Page): WordPlace[] {
  const where = pageTexts(pack, document, page).name
  const own = PAGE_TEXTS.flatMap((part): WordPlace[] => {
    const text = page.texts[part]?.text
    if (!text) return []
    return [
      {
        place: { type: 'page', page: page.id, part },
        name: PAGE_PARTS[part],
        page: page.id,
        where,
        value: null,
        isKept: false,
        lines: [text],
      },
    ]
  })
  return [...sectionsOfPage(document, page.id).flatMap((section) => placesOfSection(pack, document, section, page, where)), ...own]
}

const PAGE_PARTS = { name: 'Name of the page', label: 'In the menu', title: 'Title', description: 'Description' } as const

/** Sections are never changed in place, so what stands in one that stayed the same is what was found last time. */
function placesOfSection(pack: Pack, document: SiteDocument, section: Section, page: Page | null, where: string): readonly WordPlace[] {
  return placesOfRows(section, sectionRows(pack, document, section), page?.id ?? null, where)
}

const placesOfRows = memoBy(
  (section: Section, rows: readonly LedgerRow[], _: PageId | null, where: string) => [section, rows, where],
  (section, rows, page, where) =>
    rows.flatMap(({ place, stands, label, value, placeholder }): WordPlace[] => {
      // What is kept elsewhere is found there.
      if (place !== stands) return []
      const lines = value ? linesOf(value) : []
      if (lines.length === 0) return []
      const name = `${capital(section.name ?? section.kind)}: ${label}`
      const isKept = isSame(value, placeholder)
      return [{ place, name, page, where, value, isKept, lines }]
    }),
)

/** The words of a value: of rich text a line for each block. */
function linesOf(value: SlotValue): readonly string[] {
  switch (value.type) {
    case 'text':
      return said(value.text)
    case 'link':
      return said(value.label)
    case 'image':
      return said(value.alt)
    case 'rich':
      return value.rich.map(lineOf)
    case 'list':
      return []
    default:
      return value satisfies never
  }
}

function said(text: string): readonly string[] {
  return text === '' ? [] : [text.normalize('NFC')]
}

export function lineOf({ runs }: RichText[number]): string {
  return runs.map((run) => ('fact' in run ? CHIP : runWords(run).normalize('NFC'))).join('')
}

/** Facts as the ledger calls them. */
const FACTS = {
  name: 'Name',
  tagline: 'Tagline',
  trade: 'Trade',
  phone: 'Telephone',
  email: 'Email',
  special: 'What is special',
} as const satisfies Record<TextFact, string>

function factPlaces(document: SiteDocument): WordPlace[] {
  const facts = factsOf(document)
  return (Object.keys(FACT_LIMITS) as TextFact[]).flatMap((fact): WordPlace[] => {
    const text = facts[fact]
    if (!text) return []
    return [
      {
        place: { type: 'fact', fact },
        name: `Client facts: ${FACTS[fact]}`,
        page: null,
        where: 'every page',
        value: null,
        isKept: false,
        lines: said(text),
      },
    ]
  })
}

function labelPlaces(document: SiteDocument): WordPlace[] {
  return Object.entries(document.labels).flatMap(([label, { text }]): WordPlace[] =>
    text === ''
      ? []
      : [
          {
            place: { type: 'label', label },
            name: `Label: ${label}`,
            page: null,
            where: 'every page',
            value: null,
            isKept: false,
            lines: said(text),
          },
        ],
  )
}
