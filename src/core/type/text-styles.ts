import type { Brand, LetterCase, TextStyleChange, TextStyleName } from '../site'
import { SIZE_LIMITS, TEXT_STYLES, within } from '../site'
import { stepSize, STEPS, usualPhoneSize, type Step } from './fluid'

/** One text style in full. Sizes in px at 390 and at 1280 px, letter spacing in em; `family` is `display`, `text` or a family's key. */
export type TextStyle = {
  readonly family: string
  readonly weight: number
  readonly phone: number
  readonly desktop: number
  readonly line: number
  readonly spacing: number
  readonly case: LetterCase
}
export type TextStyles = Readonly<Record<TextStyleName, TextStyle>>
/** How a template sets type: its styles, and the two sizes of each step of its scale. */
export type TemplateType = {
  readonly styles: TextStyles
  readonly steps: Readonly<Record<Step, { readonly phone: number; readonly desktop: number }>>
}

/** The selector that each text style is found by in a template's CSS. */
export const STYLE_SELECTORS: Readonly<Record<TextStyleName, string>> = {
  h1: 'h1',
  h2: 'h2',
  h3: 'h3',
  h4: 'h4',
  h5: 'h5',
  h6: 'h6',
  body: 'body',
  small: 'small',
  quote: 'blockquote',
  button: '.button',
  menu: 'nav',
}

/** The step of the scale that a style takes its size from. */
const STEP_OF: Readonly<Record<TextStyleName, Step>> = {
  h1: 5,
  h2: 4,
  h3: 2,
  h4: 1,
  h5: 0,
  h6: -1,
  body: 0,
  small: -1,
  quote: 3,
  button: 0,
  menu: 0,
}

/** Styles that templates set in tight lines. */
export const TIGHT_STYLES = ['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'quote'] as const satisfies readonly TextStyleName[]
/** Letters that join have marks that stand higher and hang deeper than tight lines leave room for. Common practice, no source. */
const JOINED_LINE = 1.35

/**
 * A site's text styles: the template's, the client's scale in their place where one is set, and on top what was set by hand. `isJoined`:
 * the letters of the site's script join.
 */
export function siteTextStyles(type: TemplateType, brand: Pick<Brand, 'scale' | 'styles'>, isJoined = false): TextStyles {
  const roomy = new Set<TextStyleName>(isJoined ? TIGHT_STYLES : [])
  return Object.fromEntries(
    TEXT_STYLES.map((name) => {
      const own = brand.styles?.[name]
      const line = Math.max(type.styles[name].line, roomy.has(name) ? JOINED_LINE : 0)
      return [name, { ...type.styles[name], line, ...scaledSize(type, brand.scale, name), ...followedSize(name, own), ...own }]
    }),
  ) as TextStyles
}

/** While only one of a style's two sizes was set by hand, the other follows it. */
function followedSize(name: TextStyleName, own: TextStyleChange | undefined): { phone?: number; desktop?: number } {
  if (own?.desktop !== undefined && own.phone === undefined) return { phone: phoneFor(name, own.desktop) }
  return {}
}

function scaledSize(type: TemplateType, scale: Brand['scale'], name: TextStyleName): { phone?: number; desktop?: number } {
  if (!scale) return {}
  const step = stepLike(type, name)
  return {
    phone: within(stepSize(scale.phone, step), SIZE_LIMITS[name]),
    desktop: within(stepSize(scale.desktop, step), SIZE_LIMITS[name]),
  }
}

/** The step that a style stands on in a template: the one whose sizes it has, or the usual one. */
function stepLike(type: TemplateType, name: TextStyleName): Step {
  const { phone, desktop } = type.styles[name]
  return (
    STEPS.find((step) => Math.abs(type.steps[step].phone - phone) < 0.6 && Math.abs(type.steps[step].desktop - desktop) < 0.6) ??
    STEP_OF[name]
  )
}

/** What a size set for desktop brings to the phone while nothing was set there: as usual, and never more than on desktop. */
function phoneFor(name: TextStyleName, desktop: number): number {
  return Math.max(SIZE_LIMITS[name][0], Math.min(desktop, usualPhoneSize(desktop)))
}
