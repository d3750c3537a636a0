import { findPage, findSection, type SiteDocument } from '../document'
import { stepsOf, type Edit, type EditStep } from '../edits'

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
  'redirect/set': 'changed a redirect',
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

/** What an edit did, and where, named by the document as it is now: what is gone since is named by its kind or not at all. */
export function deedOf(document: SiteDocument, edit: Edit): { readonly deed: string; readonly where: string } {
  const steps = stepsOf(edit)
  const told = steps.find(({ type }) => type !== 'outfit/set') ?? steps[0]
  if (!told) return { deed: 'did nothing', where: '' }
  const more = steps.length > 1 ? `, ${steps.length} changes in all` : ''
  return { deed: told.type === 'slot/set' && told.value === null ? 'emptied' : DEEDS[told.type], where: whereOf(document, told) + more }
}

function whereOf(document: SiteDocument, step: EditStep): string {
  switch (step.type) {
    case 'slot/set':
      return [sectionName(document, step.section), step.entry?.list, step.slot].filter(Boolean).join(', ')
    case 'entry/insert':
    case 'entry/remove':
    case 'entry/move':
    case 'entry/set':
      return [sectionName(document, step.section), step.entry.list].filter(Boolean).join(', ')
    case 'section/set':
      return [sectionName(document, step.section), step.part].filter(Boolean).join(', ')
    case 'section/remove':
    case 'section/move':
      return sectionName(document, step.section)
    case 'section/insert':
      return step.section.name ?? step.section.kind
    case 'page/insert':
      return step.page.texts.name?.text ?? ''
    case 'page/set':
      return [pageName(document, step.page), step.part].filter(Boolean).join(', ')
    case 'page/remove':
    case 'page/move':
      return pageName(document, step.page)
    case 'fact/set':
      return step.fact
    case 'label/set':
      return step.label
    case 'brand/set':
    case 'dress/set':
    case 'plan/set':
      return step.part
    case 'signpost/set':
    case 'redirect/set':
    case 'as-is/set':
    case 'outfit/set':
      return ''
    default:
      return step satisfies never
  }
}

function sectionName(document: SiteDocument, id: string): string {
  const section = findSection(document, id)
  return section?.name ?? section?.kind ?? 'a section that is gone'
}

function pageName(document: SiteDocument, id: string): string {
  const page = findPage(document, id)
  return page ? (page.texts.name?.text ?? page.segment) : 'a page that is gone'
}
