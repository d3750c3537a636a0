import * as v from 'valibot'

/** The two sides of a page: where its words begin, and where they end. */
export const SIDES = ['start', 'end'] as const
export type Side = (typeof SIDES)[number]

/** How wide a side column is; `none` says that a page has none where those around it do. */
export const COLUMN_WIDTHS = ['narrow', 'medium', 'wide'] as const
export type ColumnWidth = (typeof COLUMN_WIDTHS)[number]
/** The widths in rem. */
export const COLUMN_REMS: Readonly<Record<ColumnWidth, number>> = { narrow: 17, medium: 20, wide: 25 }

/** A column at the side of a page: how wide, and whether the pages under it show it too. */
export const columnSchema = v.pipe(
  v.strictObject({ width: v.picklist([...COLUMN_WIDTHS, 'none']), under: v.optional(v.literal(true)) }),
  v.readonly(),
)
export type Column = v.InferOutput<typeof columnSchema>

/** The column of each side, as a page or the whole site has it. */
export const COLUMN_PARTS = ['startColumn', 'endColumn'] as const
export type ColumnPart = (typeof COLUMN_PARTS)[number]
export const columnParts = { startColumn: v.optional(columnSchema), endColumn: v.optional(columnSchema) }

export function columnPart(side: Side): ColumnPart {
  return `${side}Column`
}
