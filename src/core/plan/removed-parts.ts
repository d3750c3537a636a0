import { findPage, findSection, pageOf, stepsOf, type Edit, type EditStep, type Page, type Section, type SiteDocument } from '../site'

/** A page or a section that was taken out and stands nowhere now, with the steps that bring it back with everything in it. */
export type RemovedPart =
  | { readonly type: 'page'; readonly page: Page; readonly steps: readonly EditStep[] }
  | { readonly type: 'section'; readonly section: Section; readonly steps: readonly EditStep[] }

/**
 * What a job's bin holds: what rows of its history took out, the latest first. Each is read out of what would take its row back, so that
 * it is whole. A section that went with its page comes back with it, and is not listed by itself.
 */
export function removedParts(
  document: SiteDocument,
  rows: readonly { readonly edit: Edit; readonly inverse: Edit }[],
): readonly RemovedPart[] {
  const found = new Map<string, RemovedPart>()
  for (const { edit, inverse } of rows.toReversed()) {
    const gone = stepsOf(edit)
    const back = stepsOf(inverse)
    for (const step of gone) {
      const one =
        step.type === 'page/remove' ? pageIn(back, step.page) : step.type === 'section/remove' ? sectionIn(back, step.section) : null
      if (!one) continue
      const id = one.type === 'page' ? one.page.id : one.section.id
      if (!found.has(id) && !isThere(document, one)) found.set(id, one)
    }
  }
  return [...found.values()].filter((one) => one.type === 'page' || hasPlace(document, one.section))
}

function pageIn(back: readonly EditStep[], id: string): RemovedPart | null {
  const insert = back.find((step) => step.type === 'page/insert' && step.page.id === id)
  if (insert?.type !== 'page/insert') return null
  const sections = back.flatMap((step) => (step.type === 'section/insert' && pageOf(step.section.in) === id ? [step.section.id] : []))
  return { type: 'page', page: insert.page, steps: [insert, ...stepsInto(back, new Set(sections))] }
}

function sectionIn(back: readonly EditStep[], id: string): RemovedPart | null {
  const insert = back.find((step) => step.type === 'section/insert' && step.section.id === id)
  if (insert?.type !== 'section/insert') return null
  return { type: 'section', section: insert.section, steps: stepsInto(back, new Set([id])) }
}

/** The steps that make some sections and fill them. */
function stepsInto(back: readonly EditStep[], sections: ReadonlySet<string>): readonly EditStep[] {
  return back.filter((step) => {
    if (step.type === 'section/insert') return sections.has(step.section.id)
    return 'section' in step && typeof step.section === 'string' && sections.has(step.section)
  })
}

function isThere(document: SiteDocument, one: RemovedPart): boolean {
  return one.type === 'page' ? findPage(document, one.page.id) !== null : findSection(document, one.section.id) !== null
}

function hasPlace(document: SiteDocument, { in: where }: Section): boolean {
  const page = pageOf(where)
  return page === null || findPage(document, page) !== null
}

/** The steps that put something back where it stood; a page whose place is gone stands at the top. */
export function restoreRemoved(document: SiteDocument, one: RemovedPart): readonly EditStep[] {
  return one.steps.map((step): EditStep => {
    if (step.type !== 'page/insert' || step.page.in.type !== 'page' || findPage(document, step.page.in.page)) return step
    return { ...step, page: { ...step.page, in: { type: 'site' } } }
  })
}
