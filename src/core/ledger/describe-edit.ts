import { capital } from '../capital'
import { pageTexts } from '../fill'
import type { Pack } from '../pack'
import {
  findPage,
  findSection,
  isSame,
  pageOfSection,
  stepsOf,
  type Edit,
  type EditStep,
  type EntryRef,
  type FactName,
  type Place,
  type SiteDocument,
  type SlotPlace,
} from '../site'
import { entriesAt } from '../plan'
import { FACT_SAID, labelSaid, PAGE_PART_SAID } from './names'

/** What each type of edit does, as somebody would say it who has done it. */
const DEEDS: Readonly<Record<EditStep['type'], string>> = {
  'slot/set': 'wrote',
  'fact/set': 'set a fact',
  'label/set': 'set a label',
  'brand/set': 'changed the brand',
  'dress/set': 'changed what the site wears',
  'page/insert': 'added a page',
  'page/remove': 'removed a page',
  'page/move': 'moved a page',
  'page/set': 'changed a page',
  'plan/set': 'changed the plan',
  'signpost/set': 'changed an entry of the menu',
  'collection/set': 'changed a collection',
  'redirect/set': 'changed a redirect',
  'verification/set': 'changed what verifies the site',
  'as-is/set': 'kept words as they are',
  'section/insert': 'added a section',
  'section/remove': 'removed a section',
  'section/move': 'moved a section',
  'section/set': 'changed a section',
  'entry/insert': 'added an entry',
  'entry/remove': 'removed an entry',
  'entry/move': 'moved an entry',
  'entry/set': 'hid an entry',
  'outfit/set': 'kept an arrangement',
}

type Site = { readonly pack: Pack; readonly document: SiteDocument }

/** What an edit did, and where, named by the site as it is now: what is gone since is named by its kind or not at all. */
export function describeEdit(pack: Pack, document: SiteDocument, edit: Edit): { readonly deed: string; readonly where: string } {
  const steps = stepsOf(edit)
  const main = steps.find((step) => !isAside(step)) ?? steps[0]
  if (!main) return { deed: 'did nothing', where: '' }
  const more = steps.length > 1 ? `, ${steps.length} changes in all` : ''
  return { deed: deedOf(main), where: whereOf({ pack, document }, main) + more }
}

/** What only goes along with something else: an arrangement that is kept, a list that is the client's own from then on. */
function isAside(step: EditStep): boolean {
  return step.type === 'outfit/set' || (step.type === 'slot/set' && step.value?.type === 'list')
}

function deedOf(step: EditStep): string {
  if (step.type === 'slot/set' && step.value === null) return 'emptied'
  if (step.type === 'slot/set' && step.value?.type === 'same') return 'made the same as another'
  return step.type === 'entry/set' && step.value === null ? 'showed an entry' : DEEDS[step.type]
}

function whereOf(site: Site, step: EditStep): string {
  switch (step.type) {
    case 'slot/set':
      return slotSaid(site, { ...step, type: 'slot' })
    case 'entry/insert':
    case 'entry/remove':
    case 'entry/move':
    case 'entry/set':
      return `${entrySaid(site, step.section, step.entry)} of ${sectionSaid(site, step.section)}`
    case 'section/set':
      return `${step.part} of ${sectionSaid(site, step.section)}`
    case 'section/remove':
    case 'section/move':
      return sectionSaid(site, step.section)
    case 'section/insert':
      return step.section.name ?? step.section.kind
    case 'page/insert':
      return step.page.texts.name?.text ?? ''
    case 'page/set':
      return `${step.part in PAGE_PART_SAID ? PAGE_PART_SAID[step.part as 'name'] : step.part} of ${pageSaid(site, step.page)}`
    case 'page/remove':
    case 'page/move':
      return pageSaid(site, step.page)
    case 'fact/set':
      return factSaid(step.fact)
    case 'label/set':
      return labelSaid(step.label)
    case 'brand/set':
    case 'dress/set':
    case 'plan/set':
      return step.part
    case 'verification/set':
      return step.name
    case 'collection/set':
      return step.value?.name.text ?? ''
    case 'signpost/set':
    case 'redirect/set':
    case 'as-is/set':
    case 'outfit/set':
      return ''
    default:
      return step satisfies never
  }
}

/** A place in words: `Heading of hero on Home`. */
export function describePlace(pack: Pack, document: SiteDocument, place: Place): string {
  const site = { pack, document }
  switch (place.type) {
    case 'slot':
      return slotSaid(site, place)
    case 'fact':
      return factSaid(place.fact)
    case 'label':
      return labelSaid(place.label)
    case 'page':
      return `${PAGE_PART_SAID[place.part]} of ${pageSaid(site, place.page)}`
    case 'brand':
      return place.part
    default:
      return place satisfies never
  }
}

function slotSaid(site: Site, { section, entry, slot }: SlotPlace): string {
  const name = capital(slot.replaceAll('-', ' '))
  return entry ? `${name} of ${entrySaid(site, section, entry)}, ${sectionSaid(site, section)}` : `${name} of ${sectionSaid(site, section)}`
}

function entrySaid({ pack, document }: Site, section: SlotPlace['section'], entry: EntryRef): string {
  const entries = entriesAt(pack, document, { section, list: entry.list })
  const at = entries.findIndex(({ ref }) => isSame(ref, entry))
  return at < 0 ? 'an entry' : `entry ${at + 1}`
}

function sectionSaid(site: Site, id: string): string {
  const section = findSection(site.document, id)
  if (!section) return 'a section that is gone'
  const page = pageOfSection(site.document, id)
  const where = page ? `on ${pageSaid(site, page.id)}` : section.in.type === 'notFound' ? 'for wrong addresses' : 'on every page'
  return `${section.name ?? section.kind.replace('-', ' and ')} ${where}`
}

function pageSaid({ pack, document }: Site, id: string): string {
  const page = findPage(document, id)
  return page ? pageTexts(pack, document, page).name : 'a page that is gone'
}

function factSaid(fact: FactName): string {
  return fact in FACT_SAID ? FACT_SAID[fact as keyof typeof FACT_SAID] : capital(fact)
}
