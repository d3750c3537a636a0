import { answersOf, findDesign, getTemplate, type Pack } from '../pack'
import {
  ALTERATION_NAMES,
  ALTERATIONS,
  findSection,
  shownId,
  type Alteration,
  type EditStep,
  type Section,
  type SectionId,
  type SiteDocument,
} from '../site'

/** An alteration that is offered: its settings, and the one that all the sections have; null where they are as cut, or differ. */
export type AlterationChoice = { readonly part: Alteration; readonly settings: readonly string[]; readonly value: string | null }

/** What can be altered in some sections, by what their designs answer to: all that at least one of them can do. */
export function alterationChoices(pack: Pack, document: SiteDocument, ids: readonly SectionId[]): readonly AlterationChoice[] {
  const sections = shownOnce(document, ids)
  return ALTERATION_NAMES.flatMap((part): AlterationChoice[] => {
    const able = sections.filter((section) => settingsFor(pack, document, section, part).length > 0)
    const [first] = able
    if (!first) return []
    const settings = ALTERATIONS[part].filter((setting) => able.some((s) => settingsFor(pack, document, s, part).includes(setting)))
    return [{ part, settings, value: able.every((s) => s[part] === first[part]) ? (first[part] ?? null) : null }]
  })
}

/** Sections by their ids, each once; of a shared one, that which all show. */
function shownOnce(document: SiteDocument, ids: readonly SectionId[]): readonly Section[] {
  return [...new Set(ids.flatMap((id) => shownId(document, id) ?? []))].flatMap((id) => findSection(document, id) ?? [])
}

type Worn = { readonly kind: Parameters<typeof findDesign>[1]; readonly design: string }

function settingsFor(pack: Pack, { dress }: SiteDocument, { kind, design }: Worn, part: Alteration): readonly string[] {
  const found = findDesign(pack, kind, design)
  return found ? (answersOf(found, getTemplate(pack, dress.template).css)[part] ?? []) : []
}

/** The steps that alter sections in one way; null: as the design is cut. One that cannot do it, or is so already, stays as it is. */
export function alterationSteps(
  pack: Pack,
  document: SiteDocument,
  ids: readonly SectionId[],
  part: Alteration,
  value: string | null,
): readonly EditStep[] {
  return shownOnce(document, ids).flatMap((section): EditStep[] => {
    if ((section[part] ?? null) === value || (value !== null && !settingsFor(pack, document, section, part).includes(value))) return []
    return [{ type: 'section/set', section: section.id, part, value } as EditStep]
  })
}
