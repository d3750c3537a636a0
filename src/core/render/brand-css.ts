import { siteLanguage, type LetterCase, type Shape, type TextStyleChange, type TextStyleName } from '../site'
import { isJoined } from '../words'
import { fluidSize, readableMeasure, STEPS, stepSize, STYLE_SELECTORS, TIGHT_STYLES } from '../type'
import { templateOf, type Site } from '../fill'
import { familyCss, siteFamilies, styleFamily, textStylesOf } from './site-type'

/**
 * What the brand sets over the template, as CSS. The template's CSS and that of the designs stand in a cascade layer, so
 * that these few plain rules win over them without counting selectors (CSS Cascade 5, 6.4.4: what is in no layer wins).
 */
export function brandCss(site: Site): string {
  const { shape } = site.document.brand
  return [rootCss(site), joinedCss(site), styleRules(site), shape ? shapeCss(site, shape) : '', wordmarkCss(site), logoCss(site)]
    .filter((css) => css !== '')
    .join('\n')
}

/** Between letters that join no space is set, whatever a brand or a template sets for others, and their lines have room for their marks. */
function joinedCss(site: Site): string {
  if (!isJoined(siteLanguage(site.document))) return ''
  const styles = textStylesOf(site)
  return ['*{letter-spacing:0!important}', ...TIGHT_STYLES.map((name) => `${SELECTORS[name]}{line-height:${styles[name].line}}`)].join('')
}

/** Where each style is found on a page. Small text in designs takes its size from the scale. */
const SELECTORS: Readonly<Record<TextStyleName, string>> = {
  ...STYLE_SELECTORS,
  small: 'small,figcaption',
  menu: 'header .menu a',
}

function rootCss(site: Site): string {
  const { brand } = site.document
  const { display, text } = siteFamilies(site)
  const tokens = [`--font-display:${familyCss(display)}`, `--display-letter:${display.width}`, `--font-text:${familyCss(text)}`]
  if (brand.scale)
    for (const step of STEPS)
      tokens.push(`--step-${step}:${fluidSize(stepSize(brand.scale.phone, step), stepSize(brand.scale.desktop, step))}`)
  const styles = textStylesOf(site)
  if (brand.styles?.body?.phone !== undefined || brand.styles?.body?.desktop !== undefined)
    tokens.push(`--step-0:${fluidSize(styles.body.phone, styles.body.desktop)}`)
  if (brand.styles?.small?.phone !== undefined || brand.styles?.small?.desktop !== undefined)
    tokens.push(`--step--1:${fluidSize(styles.small.phone, styles.small.desktop)}`)
  const setsText = brand.text !== undefined || brand.scale !== undefined || brand.styles?.body !== undefined
  if (setsText) tokens.push(`--measure:${siteMeasure(site) / 16}rem`)
  return `:root{${tokens.join(';')}}`
}

/** The longest line of running text, in px on desktop: as designed, while that keeps to what reads well in the site's own type. */
export function siteMeasure(site: Site): number {
  const { body } = textStylesOf(site)
  return readableMeasure(styleFamily(site, body.family), body.desktop, templateOf(site).space.measurePx)
}

function styleRules(site: Site): string {
  const changes = Object.entries(site.document.brand.styles ?? {}) as [TextStyleName, TextStyleChange][]
  return changes
    .map(([name, change]) => {
      const lines = declarations(site, name, change)
      return lines.length === 0 ? '' : `${SELECTORS[name]}{${lines.join(';')}}`
    })
    .filter((rule) => rule !== '')
    .join('\n')
}

/** Styles that a section can have a step larger or smaller. */
const CUT_STYLES = new Set<TextStyleName>(['h1', 'h2', 'quote'])

/** Only what was set by hand: everything else stays the template's. */
function declarations(site: Site, name: TextStyleName, change: TextStyleChange): string[] {
  const style = textStylesOf(site)[name]
  const lines: string[] = []
  if (change.family !== undefined) lines.push(`font-family:${familyCss(styleFamily(site, change.family))}`)
  if (change.weight !== undefined) lines.push(`font-weight:${change.weight}`)
  if (change.desktop !== undefined || change.phone !== undefined) {
    const size = fluidSize(style.phone, style.desktop)
    lines.push(`font-size:${CUT_STYLES.has(name) ? `calc(${size}*var(--cut-heading,1))` : size}`)
  }
  if (change.line !== undefined) lines.push(`line-height:${change.line}`)
  if (change.spacing !== undefined) lines.push(`letter-spacing:${change.spacing}em`)
  if (change.case !== undefined) lines.push(caseCss(change.case))
  return lines
}

export function caseCss(letterCase: LetterCase): string {
  return (
    `text-transform:${letterCase === 'upper' ? 'uppercase' : 'none'};` +
    `font-variant-caps:${letterCase === 'small-caps' ? 'small-caps' : 'normal'}`
  )
}

/** The forms a button can take. One without a ground of its own takes the colour of the words around it, which can be read there. */
const BUTTONS: Readonly<Record<NonNullable<Shape['button']>, string>> = {
  square: 'border-radius:0',
  soft: 'border-radius:.4em',
  round: 'border-radius:99em',
  outline: 'background:none;color:inherit;border:2px solid var(--button-edge)',
  underline: 'background:none;color:inherit;border:0;border-block-end:3px solid var(--button-edge);border-radius:0;padding-inline:0',
}
const FIELDS: Readonly<Record<NonNullable<Shape['field']>, string>> = {
  box: 'background:none;border:max(1px,var(--line)) solid var(--text)',
  line: 'background:none;border:0;border-block-end:max(2px,var(--line)) solid var(--text);border-radius:0;padding-inline:0',
  filled: 'background:var(--plane);border:0;border-block-end:max(2px,var(--line)) solid var(--text)',
}

function shapeCss(site: Site, { corner, shadow, rule, density, button, field }: Shape): string {
  const { rise, gap } = templateOf(site).space
  const root = [
    ...(corner === undefined ? [] : [`--corner:${corner}px`, `--corner-small:${corner / 2}px`, `--picture:${corner}px`]),
    ...(rule === undefined ? [] : [`--line:${rule}px`]),
    ...(shadow === undefined
      ? []
      : [`--shadow:${shadow.x}px ${shadow.y}px ${shadow.blur}px rgb(0 0 0/${Math.round(shadow.strength * 100)}%)`]),
    ...(density === undefined ? [] : [`--rise:calc((${rise})*${density})`, `--gap:calc((${gap})*${density})`]),
  ]
  return [
    root.length === 0 ? '' : `:root{${root.join(';')}}`,
    corner !== undefined && button === undefined ? '.button,header .open,header .shut{border-radius:var(--corner-small)}' : '',
    button === undefined ? '' : buttonCss(button),
    field === undefined ? '' : `input,select,textarea{${FIELDS[field]}}`,
  ]
    .filter((css) => css !== '')
    .join('\n')
}

function buttonCss(form: NonNullable<Shape['button']>): string {
  if (form === 'outline' || form === 'underline')
    return `.button{${BUTTONS[form]}}.button:hover{background:var(--button);color:var(--button-text)}`
  return `.button,header .open,header .shut{${BUTTONS[form]}}`
}

/** A logo set in type: how its words are set, wherever the name stands as a logo. */
function wordmarkCss(site: Site): string {
  const { wordmark, logo } = site.document.brand
  if (!wordmark || logo !== undefined) return ''
  return (
    `.wordmark{font-family:${familyCss(styleFamily(site, wordmark.family))};font-weight:${wordmark.weight};` +
    `letter-spacing:${wordmark.spacing}em;${caseCss(wordmark.case)}}`
  )
}

/** The logo's own size on the phone; its usual size is in the page, so that nothing moves while it loads. */
function logoCss(site: Site): string {
  const { 'logo-size': size } = site.document.brand
  if (!size || size.phone === size.desktop) return ''
  return `@media (max-width:45.99rem){.logo{width:calc(var(--logo)*${size.phone / size.desktop});height:auto}}`
}
