import {
  applyEdit,
  inLanguage,
  sayIn,
  stepsOf,
  toEdit,
  type Edit,
  type EditStep,
  type EntryRef,
  type Section,
  type SectionId,
  type SiteDocument,
  type SlotValue,
  sectionsOn,
  homePage,
} from '../src/core/site'

/** A language that the tests of words are run in as well, beside the site's own: what is said there is found, counted and drawn alike. */
const SECOND = process.env.TEST_LANGUAGE
type Spoken = { readonly site: SiteDocument; readonly language: string }
/** The site of each document that is it as it is said in a second language. */
const sites = new WeakMap<SiteDocument, Spoken>()

/** The document after some edits; throws where one is refused. In a second language it is the site as it is said there. */
export function edited(document: SiteDocument, ...edits: readonly Edit[]): SiteDocument {
  if (SECOND === undefined) return edits.reduce(applied, document)
  const spoken = edits.flatMap(stepsOf).reduce(sayFirst, sites.get(document) ?? { site: document, language: SECOND })
  const read = inLanguage(spoken.site, spoken.language)
  sites.set(read, spoken)
  return read
}

/** A site as tests begin with it: as it is said in the second language, where there is one. */
export function begun(document: SiteDocument): SiteDocument {
  if (SECOND === undefined) return document
  const { language, ...facts } = document.facts
  const read = inLanguage({ ...document, facts }, language?.value ?? SECOND)
  sites.set(read, { site: { ...document, facts }, language: language?.value ?? SECOND })
  return read
}

function applied(document: SiteDocument, edit: Edit): SiteDocument {
  const after = applyEdit(document, edit)
  if (!after.ok) throw new Error(JSON.stringify(after.problem))
  return after.document
}

/** Other words in the site's own language, where it says nothing yet, and then those of the step in the second. */
function sayFirst({ site, language }: Spoken, step: EditStep): Spoken {
  if (step.type === 'fact/set' && step.fact === 'language') return inAnother(site, language, (step.value as string | null) ?? site.language)
  const plain = toEdit([step])
  const own = inOtherWords(step)
  if (own === null) return { site: applied(site, plain), language }
  const isThere = step.type === 'slot/set' && JSON.stringify(sayIn(site, plain, language)) !== JSON.stringify(plain)
  const there = isThere ? site : applied(site, own)
  return { site: applied(there, sayIn(there, plain, language)), language }
}

/** The same site with what it says in one language said in another. */
function inAnother(site: SiteDocument, from: string, to: string): Spoken {
  return { site: JSON.parse(JSON.stringify(site).replaceAll(`"${from}":`, `"${to}":`)) as SiteDocument, language: to }
}

/** A step with other words than it has; null for one that has none, or takes some away. */
function inOtherWords(step: EditStep): EditStep | null {
  if (!('value' in step) || step.value === null) return null
  switch (step.type) {
    case 'fact/set':
      return typeof step.value === 'string' ? { ...step, value: 'Qqx' } : null
    case 'label/set':
      return { ...step, value: { text: 'Qqx' } }
    case 'page/set':
      return ['name', 'label', 'title', 'description'].includes(step.part) ? ({ ...step, value: 'Qqx' } as EditStep) : null
    case 'slot/set':
      return step.value.type === 'same' ? null : otherValue(step, step.value)
    default:
      return null
  }
}

function otherValue(step: Extract<EditStep, { type: 'slot/set' }>, value: SlotValue): EditStep | null {
  switch (value.type) {
    case 'text':
      return { ...step, value: { type: 'text', text: `Qqx ${value.text.length}` } }
    case 'rich':
      return { ...step, value: { type: 'rich', rich: [{ type: 'p', runs: [{ text: `Qqx ${value.rich.length}` }] }] } }
    case 'link':
      return { ...step, value: { ...value, label: 'Qqx' } }
    case 'image':
      return { ...step, value: { ...value, alt: 'Qqx' } }
    default:
      return null
  }
}

/** The edit that puts a value into a slot of a section, or of an entry of its list of items. */
export function setSlot(
  section: string,
  slot: string,
  value: SlotValue | null,
  entry: EntryRef | null = null,
): Extract<Edit, { type: 'slot/set' }> {
  return { type: 'slot/set', section: section as SectionId, entry, slot, value }
}

export function setText(section: string, slot: string, text: string): Extract<Edit, { type: 'slot/set' }> {
  return setSlot(section, slot, { type: 'text', text })
}

/** The same in the template's entry of a number. */
export function setItem(section: string, nth: number, slot: string, text: string): Extract<Edit, { type: 'slot/set' }> {
  return setSlot(section, slot, { type: 'text', text }, { list: 'items', nth })
}

/** The sections of the home page. */
export function homeSections(document: SiteDocument): readonly Section[] {
  return sectionsOn(document, homePage(document).id)
}
