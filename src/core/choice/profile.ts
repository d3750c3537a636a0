import { own } from '../own'
import type { AssetTable } from '../image'
import { COMPRESSED, phoneBytes } from '../image'
import {
  getDesign,
  listPlaceholders,
  overlay,
  shownPlaces,
  templateSections,
  type Pack,
  type Template,
  type TemplateSection,
} from '../pack'
import type { SectionKind, SlotValue } from '../site'

/** What a template is, counted from its own files: nothing here is claimed by its description. */
export type TemplateProfile = {
  readonly template: string
  readonly pages: readonly { readonly key: string; readonly name: string; readonly kinds: readonly SectionKind[] }[]
  readonly kinds: ReadonlySet<SectionKind>
  /** How many picture places its pages have. */
  readonly pictures: number
  /** Places for words, each counted once: what the client will be asked for. */
  readonly texts: number
  readonly facts: readonly string[]
  /** About what the home page weighs on a phone, in bytes: style, words and pictures as re-encoded; fonts left out. */
  readonly homeBytes: number
  /** Pages that end by asking for a call, a visit or a message. */
  readonly asking: number
}

export function templateProfile(pack: Pack, assets: AssetTable, template: Template): TemplateProfile {
  const sections = templateSections(template)
  const values = sections.flatMap((s) => shownValues(pack, s))
  const facts = new Set(
    sections.flatMap((s) => shownPlaces(getDesign(pack, s.kind, s.design)).facts.map((f) => (f === 'locality' ? 'address' : f))),
  )
  return {
    template: template.id,
    pages: template.pages.map((p) => ({ key: p.key, name: p.name, kinds: p.sections.map((s) => s.kind) })),
    kinds: new Set(sections.map((s) => s.kind)),
    pictures: values.filter((v) => v.type === 'image').length,
    texts: values.filter((v) => v.type === 'text' || v.type === 'rich').length,
    facts: [...facts],
    homeBytes: homeBytes(pack, assets, template),
    asking: template.pages.filter((p) => p.sections.some((s) => s.kind === 'action' || s.kind === 'notice')).length,
  }
}

function shownValues(pack: Pack, section: TemplateSection): readonly SlotValue[] {
  const shown = overlay(getDesign(pack, section.kind, section.design).placeholders, section.placeholders)
  return listPlaceholders(shown).map((p) => p.value)
}

function homeBytes(pack: Pack, assets: AssetTable, template: Template): number {
  const home = [template.header, ...(template.pages[0]?.sections ?? []), template.footer]
  const styles = new Set(home.map((s) => getDesign(pack, s.kind, s.design).css))
  const plain = template.css.length + [...styles].reduce((sum, css) => sum + css.length, 0) + 6000
  const pictures = home.flatMap((s) => shownValues(pack, s)).filter((v) => v.type === 'image')
  const weights = pictures.flatMap(({ asset }) => own(assets, asset) ?? []).map((asset) => phoneBytes(asset, null))
  return Math.round(plain * COMPRESSED + weights.reduce((a, b) => a + b, 0))
}
