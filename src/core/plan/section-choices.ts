import { getTemplate, type Pack, type Template, type TemplateSection } from '../pack'
import {
  factsOf,
  KINDS,
  pagesOf,
  sectionsOfPage,
  type EditStep,
  type PageId,
  type Purpose,
  type Section,
  type SectionId,
  type SectionIn,
  type SectionKind,
  type SectionOrigin,
  type SiteDocument,
} from '../site'
import type { Unique } from './add-page'
import { designsIn, rankAt, type Spot } from './sections'

/** Kinds that stand among a page's sections; what stands at the head and foot of every page is none. */
export const PAGE_KINDS = (Object.keys(KINDS) as SectionKind[]).filter((kind) => kind !== 'header' && kind !== 'footer')

/** A section that can be added: its look, and the template's section whose words it begins with. */
export type SectionChoice = Pick<Section, 'kind' | 'design' | 'tone'> & { readonly origin: SectionOrigin | null }

/** Every design of a kind as it can be added in a place: with words of the worn template where it has such a section, else of another. */
export function choicesOf(pack: Pack, document: SiteDocument, kind: SectionKind, where: SectionIn): readonly SectionChoice[] {
  const worn = getTemplate(pack, document.dress.template)
  const templates = [worn, ...Object.values(pack.templates).filter((t) => t !== worn)]
  const sources = templates.flatMap((template) => sectionsOf(template).filter(({ section }) => section.kind === kind))
  return designsIn(pack, kind, where)
    .map((name): SectionChoice => {
      const source = sources.find(({ section }) => section.design === name) ?? sources[0]
      return { kind, design: name, tone: source?.section.tone ?? 'paper', origin: source?.origin ?? null }
    })
    .sort((a, b) => Number(b.origin?.template === worn.id) - Number(a.origin?.template === worn.id))
}

type Source = { readonly section: TemplateSection; readonly origin: SectionOrigin }

function sectionsOf(template: Template): Source[] {
  return template.pages.flatMap((page) =>
    page.sections.map((section) => ({ section, origin: { template: template.id, page: page.key, section: section.key } })),
  )
}

/** A choice that is put first, with why. */
export type BestChoice = { readonly choice: SectionChoice; readonly reason: string }

/** What a page commonly has, in the order in which a visitor asks for it. Common practice, no source. */
const ASKED: readonly (readonly [SectionKind, string])[] = [
  ['action', 'the page ends without saying what to do next'],
  ['testimonials', 'nobody says yet that the work is good'],
  ['services', 'the page does not say what is done'],
  ['contact', 'how to get in touch is not on the page'],
  ['questions', 'questions that hold people back are not answered'],
  ['gallery', 'no work is shown'],
  ['steps', 'how it goes is not told'],
  ['prices', 'what it costs is not said'],
  ['visit', 'where and when is not said'],
  ['figures', 'no number backs what is said'],
]
/** What brings a visitor to do what the site is for. Common practice, no source. */
const FOR: Readonly<Record<Purpose, readonly SectionKind[]>> = {
  calls: ['action', 'questions'],
  enquiries: ['contact', 'questions'],
  visits: ['visit', 'areas'],
  bookings: ['action', 'prices'],
  showing: ['gallery', 'before-after'],
  selling: ['prices', 'testimonials'],
}

/** The three sections to add first in a place of a page: what the page lacks, and what the brief is for. */
export function bestChoices(pack: Pack, document: SiteDocument, page: PageId, where: SectionIn): readonly BestChoice[] {
  const here = new Set(sectionsOfPage(document, page).map((s) => s.kind))
  const purposes = factsOf(document).purposes ?? []
  const wanted = purposes.flatMap((purpose) => FOR[purpose])
  const elsewhere = new Set(pagesOf(document).flatMap((p) => (p.id === page ? [] : sectionsOfPage(document, p.id).map((s) => s.kind))))
  const reasonOf = (kind: SectionKind): string =>
    wanted.includes(kind)
      ? `the site is for ${purposes.find((purpose) => FOR[purpose].includes(kind)) ?? ''}`
      : (ASKED.find(([k]) => k === kind)?.[1] ?? 'the page has none yet')
  const kinds = [...new Set([...wanted, ...ASKED.map(([kind]) => kind)])].filter((kind) => !here.has(kind))
  // What the brief is for goes first, then what the site says nowhere yet.
  const rankOf = (kind: SectionKind): number =>
    wanted.includes(kind) ? wanted.indexOf(kind) - wanted.length : Number(elsewhere.has(kind) && kind !== 'action')
  const inOrder = kinds.toSorted((a, b) => rankOf(a) - rankOf(b))
  return inOrder
    .flatMap((kind) => {
      const [choice] = choicesOf(pack, document, kind, where)
      return choice ? [{ choice, reason: reasonOf(kind) }] : []
    })
    .slice(0, 3)
}

/** The step that adds a section at a spot. */
export function addSection(
  document: SiteDocument,
  choice: SectionChoice,
  spot: Spot,
  unique: Unique,
): { readonly step: EditStep; readonly section: SectionId } {
  const id = `s-${unique()}` as SectionId
  const section: Section = { ...choice, id, in: spot.in, rank: rankAt(document, spot), slots: {} }
  return { section: id, step: { type: 'section/insert', section } }
}
