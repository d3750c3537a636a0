import * as v from 'valibot'

/**
 * What can be altered in the cut of one section, and the settings of each; what is absent is as the design has it.
 * A design says in its CSS to which of them it answers (`answersOf`).
 */
export const ALTERATIONS = {
  above: ['none', 'less', 'more'],
  below: ['none', 'less', 'more'],
  heading: ['smaller', 'larger'],
  measure: ['narrow', 'wide'],
  align: ['start', 'center', 'end'],
  side: ['other'],
  columns: ['2', '3', '4'],
  frame: ['1:1', '4:5', '4:3', '3:2', '16:9'],
  stagger: ['none'],
} as const
export type Alteration = keyof typeof ALTERATIONS
export const ALTERATION_NAMES = Object.keys(ALTERATIONS) as readonly Alteration[]

/** The alterations of a section, as parts of its record. */
export const alterationParts = {
  above: v.optional(v.picklist(ALTERATIONS.above)),
  below: v.optional(v.picklist(ALTERATIONS.below)),
  heading: v.optional(v.picklist(ALTERATIONS.heading)),
  measure: v.optional(v.picklist(ALTERATIONS.measure)),
  align: v.optional(v.picklist(ALTERATIONS.align)),
  side: v.optional(v.picklist(ALTERATIONS.side)),
  columns: v.optional(v.picklist(ALTERATIONS.columns)),
  frame: v.optional(v.picklist(ALTERATIONS.frame)),
  stagger: v.optional(v.picklist(ALTERATIONS.stagger)),
} satisfies Readonly<Record<Alteration, v.GenericSchema>>

/** What is altered in a section's cut, in the order of the table. */
export function alterationsOf(section: { readonly [name in Alteration]?: string | undefined }): readonly (readonly [Alteration, string])[] {
  const altered: (readonly [Alteration, string])[] = []
  for (const name of ALTERATION_NAMES) {
    const value = section[name]
    if (value !== undefined) altered.push([name, value])
  }
  return altered
}
