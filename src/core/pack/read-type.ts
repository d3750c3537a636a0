import * as csstree from 'css-tree'
import { TEXT_STYLES, type LetterCase, type TextStyleName } from '../site'
import { DESKTOP_WIDTH, evaluateLength, PHONE_WIDTH, STEPS, STYLE_SELECTORS, type Step, type TemplateType, type TextStyle } from '../type'

const OWN_STEP: Partial<Record<TextStyleName, Step>> = { h4: 1, h5: 0, h6: -1, small: -1 }
/** What a browser gives headings of its own accord (HTML, “Rendering”, 15.3.7): bold. */
const BOLD = 700

type Rules = { readonly variables: ReadonlyMap<string, string>; readonly found: ReadonlyMap<string, ReadonlyMap<string, string>> }

/**
 * How a template's CSS sets type: its scale, and each text style's family, weight, sizes at 390 and 1280 px, line, spacing, case.
 * Menus and quotes are set by its header and by the first of its sections that quotes: `designCss` is theirs.
 */
export function readTemplateType(css: string, designCss = ''): TemplateType {
  const rules = readRules(`${css}\n${designCss}`)
  const at = (text: string, widthPx: number, emPx: number): number =>
    evaluateLength(text, { widthPx, emPx, variables: rules.variables }) ?? emPx
  const both = (text: string, around: { phone: number; desktop: number }): { phone: number; desktop: number } => ({
    phone: tenth(at(text, PHONE_WIDTH, around.phone)),
    desktop: tenth(at(text, DESKTOP_WIDTH, around.desktop)),
  })
  const steps = Object.fromEntries(STEPS.map((step) => [step, both(`var(--step-${step})`, { phone: 16, desktop: 16 })])) as Record<
    Step,
    { phone: number; desktop: number }
  >
  const read = (name: TextStyleName, around: TextStyle): TextStyle => {
    // Buttons and menus are links, so what a template sets for those holds where they set nothing of their own.
    const links = name === 'menu' || name === 'button' ? (rules.found.get('a') ?? []) : []
    const set = new Map([...links, ...(rules.found.get(STYLE_SELECTORS[name]) ?? [])])
    const isHeading = name.length === 2
    const size = set.get('font-size') ?? (OWN_STEP[name] === undefined ? '1em' : `var(--step-${OWN_STEP[name]})`)
    const sizes = both(size, around)
    const spacing = set.get('letter-spacing')
    return {
      family: familyOf(set.get('font-family')) ?? around.family,
      weight: Number(set.get('font-weight') ?? (isHeading ? BOLD : around.weight)),
      ...sizes,
      line: Number(set.get('line-height') ?? around.line),
      spacing:
        spacing === undefined ? around.spacing : Math.round((at(spacing, DESKTOP_WIDTH, sizes.desktop) / sizes.desktop) * 1000) / 1000,
      case: caseOf(set) ?? around.case,
    }
  }
  const body = read('body', { family: 'text', weight: 400, phone: 16, desktop: 16, line: 1.5, spacing: 0, case: 'none' })
  return {
    steps,
    styles: Object.fromEntries(TEXT_STYLES.map((name) => [name, name === 'body' ? body : read(name, body)])) as TemplateType['styles'],
  }
}

/** A template's own lengths: spacing as its CSS writes it, between sections and between columns; its longest line of text, in px. */
export type TemplateSpace = { readonly rise: string; readonly gap: string; readonly measurePx: number }

export function readSpace(css: string): TemplateSpace {
  const { variables } = readRules(css)
  const measure = evaluateLength('var(--measure)', { widthPx: DESKTOP_WIDTH, emPx: 16, variables })
  return { rise: variables.get('--rise') ?? '4rem', gap: variables.get('--gap') ?? '2rem', measurePx: measure ?? 560 }
}

function tenth(px: number): number {
  return Math.round(px * 10) / 10
}

function familyOf(value: string | undefined): 'display' | 'text' | undefined {
  return value?.includes('--font-display') ? 'display' : value?.includes('--font-text') ? 'text' : undefined
}

function caseOf(set: ReadonlyMap<string, string>): LetterCase | undefined {
  return set.get('text-transform') === 'uppercase'
    ? 'upper'
    : set.get('font-variant-caps') === 'small-caps' || set.get('font-variant') === 'small-caps'
      ? 'small-caps'
      : undefined
}

/** A design's rule for its menu's links or its quote counts as the template's for all of them. */
function plainSelector(selector: string): string {
  if (/^\.header-[\w-]+ \.menu a$/.test(selector)) return STYLE_SELECTORS.menu
  return /^\.(quote|testimonials)-[\w-]+ blockquote$/.test(selector) ? STYLE_SELECTORS.quote : selector
}

/** Declarations by plain selector, and the custom properties of the root; what stands in a media query is for other widths. */
function readRules(css: string): Rules {
  const variables = new Map<string, string>()
  const found = new Map<string, Map<string, string>>()
  csstree.walk(csstree.parse(css, { parseCustomProperty: false }), {
    visit: 'Rule',
    enter(rule) {
      if (this.atrule || rule.prelude.type !== 'SelectorList') return
      for (const selector of rule.prelude.children.toArray().map((s) => plainSelector(csstree.generate(s)))) {
        rule.block.children.forEach((node) => {
          if (node.type !== 'Declaration') return
          const value = csstree.generate(node.value)
          if (selector === ':root' && node.property.startsWith('--')) variables.set(node.property, value.trim())
          else found.set(selector, (found.get(selector) ?? new Map<string, string>()).set(node.property, value))
        })
      }
    },
  })
  return { variables, found }
}
