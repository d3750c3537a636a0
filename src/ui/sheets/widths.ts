/** The three widths that every page is seen at, in CSS px. */
export const SHEETS = [
  { name: 'desktop', width: 1280 },
  { name: 'tablet', width: 820 },
  { name: 'phone', width: 390 },
] as const
export type SheetName = (typeof SHEETS)[number]['name']
/** Lines of a text on each sheet, beside those that it was designed for. */
export type LineFit = Readonly<Partial<Record<SheetName, { readonly now: number; readonly designed: number }>>>
