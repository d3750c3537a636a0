import * as v from 'valibot'
import {
  targetsIn,
  withTargets,
  type LinkTarget,
  alterationParts,
  alterationsOf,
  applyEdit,
  entriesOf,
  entrySchema,
  findSection,
  followersIn,
  kindSchema,
  nameSchema,
  ownValues,
  partSteps,
  sectionOriginSchema,
  sectionOwn,
  shownSection,
  slotsSchema,
  toEdit,
  TONES,
  type EditStep,
  type Entry,
  type EntryId,
  type Section,
  type SectionId,
  type SiteDocument,
  type SlotValue,
} from '../site'
import type { Unique } from './add-page'
import { entrySteps, rankAt, type Spot } from './sections'

const keptEntrySchema = v.strictObject({
  list: entrySchema.pipe[0].entries.in.pipe[0].entries.list,
  nth: entrySchema.pipe[0].entries.nth,
  rank: entrySchema.pipe[0].entries.rank,
  slots: slotsSchema,
  gone: entrySchema.pipe[0].entries.gone,
  hidden: entrySchema.pipe[0].entries.hidden,
})

/** A section with its content, taken out of its job: what it wears, what it was made from, what is in it. */
export const keptSectionSchema = v.strictObject({
  kind: kindSchema,
  design: nameSchema,
  tone: v.picklist(TONES),
  origin: v.nullable(sectionOriginSchema),
  slots: slotsSchema,
  entries: v.array(keptEntrySchema),
  holds: sectionOwn.holds,
  ...alterationParts,
})
export type KeptSection = v.InferOutput<typeof keptSectionSchema>

/** A section as it is kept for other jobs. Facts are shown by reference and so stay behind; so do links to pages of the job. */
export function toKept(there: SiteDocument, standing: Section): KeptSection {
  const { document, section } = parted(there, shownSection(there, standing))
  const { kind, design, tone, origin, slots } = section
  const entries = entriesOf(document, section.id).map(({ in: { list }, nth, rank, slots: own, gone, hidden }: Entry) => ({
    list,
    nth,
    rank,
    slots: portable(own),
    ...(gone && { gone }),
    ...(hidden && { hidden }),
  }))
  const { holds } = section
  return {
    kind,
    design,
    tone,
    origin,
    slots: portable(slots),
    entries,
    ...(holds && { holds }),
    ...Object.fromEntries(alterationsOf(section)),
  }
}

/** A section that says of its own what it shows of others: elsewhere there is nothing to follow. */
function parted(there: SiteDocument, section: Section): { readonly document: SiteDocument; readonly section: Section } {
  let n = 0
  const steps = followersIn(there, section).flatMap((one) => partSteps(there, one, () => `kept-${n++}` as EntryId))
  const applied = steps.length === 0 ? null : applyEdit(there, toEdit(steps))
  const document = applied?.ok ? applied.document : there
  return { document, section: findSection(document, section.id) ?? section }
}

/** Values that mean the same in any job: a link to a page or a file of the job leads nowhere elsewhere. */
function portable(slots: Section['slots']): Section['slots'] {
  return Object.fromEntries(Object.entries(ownValues(slots)).map(([slot, value]) => [slot, withoutPage(value)]))
}

function withoutPage(value: SlotValue): SlotValue {
  const isOfJob = (to: LinkTarget): boolean => ['page', 'section', 'file'].includes(to.type)
  if (!targetsIn(value).some(isOfJob)) return value
  return value.type === 'link' ? { ...value, to: { type: 'url', url: '' } } : withTargets(value, (to) => (isOfJob(to) ? null : to))
}

/** The pictures that a kept section shows. */
export function picturesOf({ slots, entries }: KeptSection): readonly string[] {
  const all = [slots, ...entries.map((e) => e.slots)].flatMap((of) => Object.values(of))
  return [...new Set(all.flatMap((value) => (value.type === 'image' ? [value.asset] : [])))]
}

/** The steps that put a copy of a kept section into a site. */
export function fromKept(
  document: SiteDocument,
  kept: KeptSection,
  spot: Spot,
  unique: Unique,
): { readonly steps: readonly EditStep[]; readonly section: SectionId } {
  const id = `s-${unique()}` as SectionId
  const { entries, ...rest } = kept
  const insert: EditStep = { type: 'section/insert', section: { ...rest, id, in: spot.in, rank: rankAt(document, spot) } }
  return { section: id, steps: [insert, ...entries.flatMap((entry) => entrySteps(id, entry, unique))] }
}
