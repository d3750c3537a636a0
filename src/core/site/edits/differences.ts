import { own } from '../../own'
import {
  COLUMN_PARTS,
  naturalRank,
  lineOf,
  PAGE_OWN,
  PAGE_TEXTS,
  PLAN_PARTS,
  refOf,
  SECTION_OWN,
  DRESS_PARTS,
  type Cell,
  type Entry,
  type Page,
  type Section,
  type SiteDocument,
  type Table,
} from '../document'
import { BRAND_PARTS } from '../brand'
import { FACT_NAMES } from '../facts/facts'
import { exactly, isSame } from '../values'
import { factSteps, spokenFact } from './fact-set'
import { labelSteps } from './label-set'
import type { EntrySet } from './entry-set'
import type { EditStep } from './step-type'
import type { PageSet } from './page-set'
import type { PlanSet } from './plan-set'
import { saidSteps, spokenText } from './say-cell'
import type { SectionSet } from './section-set'

/**
 * The steps that make one document of another: few and small where little differs. What comes is added before what goes
 * leaves, since what stays may move from one to the other.
 */
export function differences(from: SiteDocument, to: SiteDocument): readonly EditStep[] {
  const gone = (a: Table<{ id: string }>, b: Table<{ id: string }>): string[] => Object.keys(a).filter((id) => !own(b, id))
  const come = <T extends { id: string }>(a: Table<T>, b: Table<T>): T[] => Object.values(b).filter(({ id }) => !own(a, id))
  const changed = <T extends { id: string }>(a: Table<T>, b: Table<T>): (readonly [T, T])[] =>
    a === b
      ? []
      : Object.values(b).flatMap((record) => {
          const was = own(a, record.id)
          return was && was !== record ? [[was, record] as const] : []
        })
  const pagesGone = gone(from.pages, to.pages)
  const sectionsGone = gone(from.sections, to.sections)
  return [
    ...cellSteps(from, to),
    // A page comes, and moves, after the one that it is to stand under, so that none stands under itself on the way.
    ...come(from.pages, to.pages)
      .sort((a, b) => levelIn(to, a) - levelIn(to, b))
      .map((page): EditStep => ({ type: 'page/insert', page })),
    ...come(from.sections, to.sections).map((section): EditStep => ({ type: 'section/insert', section })),
    ...changed(from.sections, to.sections).flatMap(([was, is]) => sectionSteps(was, is)),
    ...entryStepsOf(from, to),
    ...sectionsGone.map((id): EditStep => ({ type: 'section/remove', section: id as Section['id'] })),
    ...changed(from.pages, to.pages)
      .sort(([, a], [, b]) => levelIn(to, a) - levelIn(to, b))
      .flatMap(([was, is]) => pageSteps(was, is)),
    ...keysOf(from.signposts, to.signposts)
      .filter((id) => !isSame(own(from.signposts, id), own(to.signposts, id)))
      .map((id): EditStep => ({ type: 'signpost/set', signpost: id, value: own(to.signposts, id) ?? null })),
    ...keysOf(from.collections, to.collections)
      .filter((id) => !isSame(own(from.collections, id), own(to.collections, id)))
      .map((id): EditStep => ({ type: 'collection/set', collection: id, value: own(to.collections, id) ?? null })),
    ...keysOf(from.asIs, to.asIs)
      .filter((words) => own(from.asIs, words) !== own(to.asIs, words))
      .map((words): EditStep => ({ type: 'as-is/set', words, value: own(to.asIs, words) ?? null })),
    ...keysOf(from.redirects, to.redirects)
      .filter((path) => !isSame(own(from.redirects, path), own(to.redirects, path)))
      .map((path): EditStep => ({ type: 'redirect/set', path, value: own(to.redirects, path) ?? null })),
    ...keysOf(from.verifications, to.verifications)
      .filter((name) => own(from.verifications, name) !== own(to.verifications, name))
      .map((name): EditStep => ({ type: 'verification/set', name, value: own(to.verifications, name) ?? null })),
    ...pagesGone.map((id): EditStep => ({ type: 'page/remove', page: id as Page['id'] })),
  ]
}

function levelIn(document: SiteDocument, page: Page): number {
  return lineOf(document, page).length
}

function keysOf(a: object, b: object): string[] {
  return [...new Set([...Object.keys(a), ...Object.keys(b)])]
}

function cellSteps(from: SiteDocument, to: SiteDocument): EditStep[] {
  return [
    ...PLAN_PARTS.filter((part) => !isSame(from.plan[part], to.plan[part])).map(
      (part) => ({ type: 'plan/set', part, value: to.plan[part] ?? null }) as PlanSet,
    ),
    ...DRESS_PARTS.filter((part) => from.dress[part] !== to.dress[part]).map((part): EditStep => ({
      type: 'dress/set',
      part,
      value: to.dress[part] ?? null,
    })),
    ...FACT_NAMES.flatMap((fact) => factSteps(fact, saidSteps(spokenFact(from.facts[fact]), spokenFact(to.facts[fact])))),
    ...BRAND_PARTS.filter((part) => !isSame(from.brand[part], to.brand[part])).map((part): EditStep => ({
      type: 'brand/set',
      part,
      value: to.brand[part] ?? null,
    })),
    ...keysOf(from.labels, to.labels).flatMap((label) =>
      labelSteps(label, saidSteps(spokenText(own(from.labels, label)), spokenText(own(to.labels, label)))),
    ),
    ...keysOf(from.outfits, to.outfits)
      .filter((template) => !isSame(own(from.outfits, template), own(to.outfits, template)))
      .map((template): EditStep => ({ type: 'outfit/set', template, value: own(to.outfits, template) ?? null })),
  ]
}

function pageSteps(was: Page, is: Page): EditStep[] {
  const at = { type: 'page/set', page: is.id } as const
  return [
    ...(was.rank === is.rank && isSame(was.in, is.in) ? [] : [{ type: 'page/move', page: is.id, rank: is.rank, in: is.in } as const]),
    ...(isSame(was.origin, is.origin) ? [] : [{ ...at, part: 'origin', value: is.origin } as const]),
    ...(was.segment === is.segment ? [] : [{ ...at, part: 'segment', value: is.segment } as const]),
    ...(was.addressed === is.addressed ? [] : [{ ...at, part: 'addressed', value: is.addressed ?? false } as const]),
    ...(['hidden', 'unfound'] as const)
      .filter((part) => was[part] !== is[part])
      .map((part) => ({ ...at, part, value: is[part] ?? false }) as const),
    ...COLUMN_PARTS.filter((part) => !isSame(was[part], is[part])).map((part) => ({ ...at, part, value: is[part] ?? null }) as const),
    ...(was.listed === is.listed ? [] : [{ ...at, part: 'listed', value: is.listed } as const]),
    ...PAGE_OWN.filter((part) => was[part] !== is[part]).map((part) => ({ ...at, part, value: is[part] ?? null }) as PageSet),
    ...PAGE_TEXTS.flatMap((part) =>
      saidSteps(spokenText(was.texts[part]), spokenText(is.texts[part])).map((said) => ({ ...at, part, ...said })),
    ),
  ]
}

function sectionSteps(was: Section, is: Section): EditStep[] {
  // Another kind has other slots: it is another section that goes by the same id.
  if (was.kind !== is.kind)
    return [
      { type: 'section/remove', section: is.id },
      { type: 'section/insert', section: is },
    ]
  const place: EditStep[] =
    was.rank === is.rank && isSame(was.in, is.in) ? [] : [{ type: 'section/move', section: is.id, in: is.in, rank: is.rank }]
  const worn = (['design', 'tone', 'origin'] as const)
    .filter((part) => !isSame(was[part], is[part]))
    .map((part) => ({ type: 'section/set', section: is.id, part, value: is[part] }) as SectionSet)
  const others = SECTION_OWN.filter((part) => !isSame(was[part], is[part])).map(
    (part) => ({ type: 'section/set', section: is.id, part, value: is[part] ?? null }) as SectionSet,
  )
  return [...place, ...worn, ...others, ...slotSteps(is.id, null, was.slots, is.slots)]
}

type SlotTable = Section['slots']

function slotSteps(
  section: Section['id'],
  entry: Extract<EditStep, { type: 'slot/set' }>['entry'],
  was: SlotTable,
  is: SlotTable,
): EditStep[] {
  if (was === is) return []
  return [...new Set([...Object.keys(was), ...Object.keys(is)])]
    .filter((slot) => !isSame(own(was, slot), own(is, slot)))
    .map((slot) => ({ type: 'slot/set', section, entry, slot, value: exactlyOver(own(was, slot), own(is, slot)) }))
}

/** A cell that puts itself over another just as it is. */
function exactlyOver(was: Cell | undefined, is: Cell | undefined): Cell | null {
  if (is === undefined || is.type === 'same') return is ?? null
  return exactly(is, was === undefined || was.type === 'same' ? null : was)
}

function entryStepsOf(from: SiteDocument, to: SiteDocument): EditStep[] {
  if (from.entries === to.entries) return []
  const ids = [...new Set([...Object.keys(from.entries), ...Object.keys(to.entries)])]
  return ids.flatMap((id) => {
    const [was, is] = [own(from.entries, id), own(to.entries, id)]
    const known = is ?? was
    // The entries of a section that leaves go with it.
    if (!known || was === is || !own(to.sections, known.in.section)) return []
    const hadSection = own(from.sections, known.in.section)?.kind === own(to.sections, known.in.section)?.kind
    return entrySteps(hadSection ? was : undefined, is, known)
  })
}

function entrySteps(was: Entry | undefined, is: Entry | undefined, known: Entry): EditStep[] {
  const at = { section: known.in.section, entry: refOf(known) }
  if (known.nth === null) {
    if (!is) return [{ type: 'entry/remove', ...at }]
    if (!was)
      return [
        { type: 'entry/insert', ...at, rank: is.rank, ...(is.block && { block: is.block }), slots: is.slots },
        ...hiddenSteps(at, undefined, is),
      ]
  }
  const steps: EditStep[] = []
  // One that stays out of its list is put back for a moment, to be where it would come back to.
  const isMovedWhileGone = was?.gone === true && is?.gone === true && was.rank !== is.rank
  if (isMovedWhileGone) steps.push({ type: 'entry/insert', ...at, rank: is.rank, slots: {} }, { type: 'entry/remove', ...at })
  if (was?.gone && !is?.gone) steps.push({ type: 'entry/insert', ...at, rank: was.rank, slots: {} })
  if (is && !is.gone && is.rank !== (was?.rank ?? naturalOf(known))) steps.push({ type: 'entry/move', ...at, rank: is.rank })
  if (!is && was && was.rank !== naturalOf(known)) steps.push({ type: 'entry/move', ...at, rank: naturalOf(known) })
  steps.push(...slotSteps(at.section, at.entry, was?.slots ?? {}, is?.slots ?? {}), ...hiddenSteps(at, was, is))
  if (is?.gone && !was?.gone) {
    if (is.rank !== (was?.rank ?? naturalOf(known))) steps.push({ type: 'entry/move', ...at, rank: is.rank })
    steps.push({ type: 'entry/remove', ...at })
  }
  return steps
}

function hiddenSteps(at: Pick<EntrySet, 'section' | 'entry'>, was: Entry | undefined, is: Entry | undefined): EditStep[] {
  return was?.hidden === is?.hidden ? [] : [{ type: 'entry/set', ...at, part: 'hidden', value: is?.hidden ?? null }]
}

function naturalOf(entry: Entry): string {
  return entry.nth === null ? entry.rank : naturalRank(entry.nth)
}
