import * as v from 'valibot'
import { arrange } from './arrange'
import { brandSchema } from './brand'
import { findPage, findSection, type Page, type Section, type SiteDocument } from './document'
import type { Edit, EditProblem, EditStep } from './edits'
import { factsSchema, type Facts } from './facts'
import { findSlotType } from './kinds'
import { TONES } from './tones'

export type Applied =
  | { readonly ok: true; readonly document: SiteDocument; readonly inverse: Edit }
  | { readonly ok: false; readonly problem: EditProblem }

/**
 * The document after an edit, and the edit that takes it back. The only way a document changes. Total: an edit that
 * names a place that is gone, or a value that does not fit there, gives a problem and changes nothing; so does a
 * batch of which one step fails.
 */
export function applyEdit(document: SiteDocument, edit: Edit): Applied {
  if (edit.type !== 'batch') return applyStep(document, edit)
  const inverses: EditStep[] = []
  let current = document
  for (const step of edit.edits) {
    const applied = applyStep(current, step)
    if (!applied.ok) return applied
    current = applied.document
    inverses.unshift(applied.inverse)
  }
  return { ok: true, document: current, inverse: { type: 'batch', edits: inverses } }
}

type StepApplied = { readonly ok: true; readonly document: SiteDocument; readonly inverse: EditStep } | { readonly ok: false; readonly problem: EditProblem }

function applyStep(document: SiteDocument, step: EditStep): StepApplied {
  switch (step.type) {
    case 'slot/set': return setSlot(document, step)
    case 'fact/set': return setFact(document, step)
    case 'brand/set': return setBrand(document, step)
    case 'page/set': return setPage(document, step)
    case 'section/set': return setSection(document, step)
    case 'scheme/set': return setScheme(document, step)
    case 'arrange': return arrange(document, step.to)
    default: return step satisfies never
  }
}

function setSlot(document: SiteDocument, step: Extract<EditStep, { type: 'slot/set' }>): StepApplied {
  const section = findSection(document, step.section)
  if (!section) return { ok: false, problem: { code: 'sectionGone', section: step.section } }
  const type = findSlotType(section.kind, step.slot)
  if (type === null) return { ok: false, problem: { code: 'slotUnknown', slot: `${section.kind}/${step.slot}` } }
  if (step.value && step.value.type !== type) return { ok: false, problem: { code: 'valueWrong', place: `${section.kind}/${step.slot}` } }
  const slots = withValue(section.slots, step.slot, step.value)
  return {
    ok: true,
    document: replaceSection(document, { ...section, slots }),
    inverse: { ...step, value: section.slots[step.slot] ?? null },
  }
}

function setFact(document: SiteDocument, step: Extract<EditStep, { type: 'fact/set' }>): StepApplied {
  const facts = v.safeParse(factsSchema, withValue<Facts>(document.facts, step.fact, step.value))
  if (!facts.success) return { ok: false, problem: { code: 'valueWrong', place: step.fact } }
  return { ok: true, document: { ...document, facts: facts.output }, inverse: { ...step, value: document.facts[step.fact] ?? null } }
}

function setBrand(document: SiteDocument, step: Extract<EditStep, { type: 'brand/set' }>): StepApplied {
  const brand = v.safeParse(brandSchema, withValue(document.brand, step.part, step.value))
  if (!brand.success) return { ok: false, problem: { code: 'valueWrong', place: `brand ${step.part}` } }
  return { ok: true, document: { ...document, brand: brand.output }, inverse: { ...step, value: document.brand[step.part] ?? null } }
}

function setPage(document: SiteDocument, step: Extract<EditStep, { type: 'page/set' }>): StepApplied {
  const page = findPage(document, step.page)
  if (!page) return { ok: false, problem: { code: 'pageGone', page: step.page } }
  const next: Page = withValue(page, step.part, step.value)
  return {
    ok: true,
    document: { ...document, pages: document.pages.map((p) => (p.id === page.id ? next : p)) },
    inverse: { ...step, value: page[step.part] ?? null },
  }
}

function setSection(document: SiteDocument, step: Extract<EditStep, { type: 'section/set' }>): StepApplied {
  const section = findSection(document, step.section)
  if (!section) return { ok: false, problem: { code: 'sectionGone', section: step.section } }
  if (step.part === 'tone' && !TONES.some((tone) => tone === step.value)) return { ok: false, problem: { code: 'valueWrong', place: 'tone' } }
  return {
    ok: true,
    document: replaceSection(document, { ...section, [step.part]: step.value }),
    inverse: { ...step, value: section[step.part] },
  }
}

function setScheme(document: SiteDocument, step: Extract<EditStep, { type: 'scheme/set' }>): StepApplied {
  const chosen = withValue(document, 'scheme', step.scheme)
  return {
    ok: true,
    document: withValue(chosen, 'dark', step.dark === false ? null : step.dark),
    inverse: { type: 'scheme/set', scheme: document.scheme ?? null, dark: document.dark ?? false },
  }
}

/** A copy with one property set, or without it when the value is null. */
function withValue<T extends object>(of: T, key: string, value: unknown): T {
  const { [key]: _, ...rest } = of as Record<string, unknown>
  return (value === null ? rest : { ...rest, [key]: value }) as T
}

function replaceSection(document: SiteDocument, section: Section): SiteDocument {
  if (document.header.id === section.id) return { ...document, header: section }
  if (document.footer.id === section.id) return { ...document, footer: section }
  const swap = (page: Page): Page =>
    page.sections.some((s) => s.id === section.id) ? { ...page, sections: page.sections.map((s) => (s.id === section.id ? section : s)) } : page
  return { ...document, pages: document.pages.map(swap) }
}
