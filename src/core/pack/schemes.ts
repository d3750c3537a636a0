import { GENERAL_SCHEMES, type SchemeSpec } from '../colour'
import { memoOf } from '../memo'
import type { Template } from './template'

/** A scheme as it is offered: under the name that the document keeps it by. */
export type OfferedScheme = { readonly id: string; readonly name: string; readonly spec: SchemeSpec; readonly general: boolean }

/** The schemes a site on a template can wear: the template's own first, then the general ones. */
export const offeredSchemes = memoOf((template: Template): readonly OfferedScheme[] => [
  ...template.schemes.map((spec) => ({ id: `${template.id}/${spec.key}`, name: spec.name, spec, general: false })),
  ...Object.entries(GENERAL_SCHEMES).map(([key, spec]) => ({ id: `general/${key}`, name: spec.name, spec, general: true })),
])

/** The scheme of an id; the template's first where there is none, or where the id is another template's. */
export function findScheme(template: Template, id: string | null): SchemeSpec {
  const schemes = offeredSchemes(template)
  const found = schemes.find((s) => s.id === id) ?? schemes[0]
  if (!found) throw new Error(`The template ${template.id} has no scheme`)
  return found.spec
}
