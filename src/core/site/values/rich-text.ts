import * as v from 'valibot'
import { linkTargetSchema, type LinkTarget } from './link'

/** Facts that can stand in the middle of words as a chip; `year` is the year in which the page is made. */
export const CHIP_FACTS = ['name', 'tagline', 'phone', 'email', 'address', 'locality', 'year'] as const
export type ChipFact = (typeof CHIP_FACTS)[number]

const style = { strong: v.optional(v.literal(true)), em: v.optional(v.literal(true)), to: v.optional(linkTargetSchema) }
const words = v.pipe(v.string(), v.maxLength(20_000))
const textRunSchema = v.strictObject({ text: words, ...style })
const chipRunSchema = v.strictObject({ fact: v.picklist(CHIP_FACTS), ...style })

/** A link as runs had it before links in text were links like any other: its address alone. */
const addressRunSchema = v.pipe(
  v.strictObject({ text: words, strong: style.strong, em: style.em, href: v.pipe(v.string(), v.maxLength(2000)) }),
  v.transform(({ href, ...run }): TextRun => ({ ...run, to: { type: 'url', url: href } })),
)
const runSchema = v.union([textRunSchema, chipRunSchema, addressRunSchema])

const blockSchema = v.strictObject({
  type: v.picklist(['p', 'heading', 'quote', 'small', 'li']),
  runs: v.pipe(v.array(runSchema), v.maxLength(500), v.readonly()),
  /** Of an entry: it is counted, not dotted. */
  number: v.optional(v.literal(true)),
  /** Of an entry: how deep it lies under others; absent on the first level. */
  depth: v.optional(v.picklist([1, 2])),
  align: v.optional(v.picklist(['center', 'end'])),
  dir: v.optional(v.picklist(['ltr', 'rtl'])),
})

/** The most blocks that a rich text has. */
export const MAX_BLOCKS = 500

/**
 * Blocks (paragraph, sub-heading, quotation, small print, entry of a list) made of runs of text and chips; a line break inside a block is
 * `\n`. Nothing else can be written, so nothing else can be shown.
 */
export const richTextSchema = v.pipe(v.array(blockSchema), v.maxLength(MAX_BLOCKS), v.readonly())

/** How a run is set: marks lie in one another freely. */
export type RunStyle = { readonly strong?: true; readonly em?: true; readonly to?: LinkTarget }
export type TextRun = { text: string; strong?: true | undefined; em?: true | undefined; to?: LinkTarget | undefined }
export type ChipRun = v.InferOutput<typeof chipRunSchema>
export type RichRun = v.InferOutput<typeof runSchema>
export type RichBlock = v.InferOutput<typeof blockSchema>
export type RichText = v.InferOutput<typeof richTextSchema>

/** The words of a run; a chip has none of its own. */
export function runWords(run: RichRun): string {
  return 'text' in run ? run.text : ''
}
