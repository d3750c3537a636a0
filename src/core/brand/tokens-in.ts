import { own } from '../own'
import { makeScheme, toOklch } from '../colour'
import { findScheme } from '../pack'
import { templateOf, type Site } from '../fill'
import { siteFamilies, styleFamily, textStylesOf } from '../render'
import {
  isSame,
  LIMITS,
  ROLES,
  SIZE_LIMITS,
  TEXT_STYLES,
  TONES,
  within,
  type Brand,
  type EditStep,
  type Role,
  type TextStyleChange,
  type TextStyleName,
  type Tone,
} from '../site'
import { FAMILIES, ownFamilies } from '../type'
import type { ReadToken } from './read-tokens'

/** What bringing tokens in would do: the edits, in words what each sets, and what could not be used. */
export type TokensPlan = { readonly edits: readonly EditStep[]; readonly sets: readonly string[]; readonly notes: readonly string[] }

/**
 * How a site takes on the brand that a token file tells of. A file of ours gives back the same look on the same template:
 * a role or a style that differs from what the site computes by itself is set by hand. Of another file the names are
 * understood where they say what they are for.
 */
export function planTokens(site: Site, tokens: readonly ReadToken[]): TokensPlan {
  const notes: string[] = []
  const brand: Partial<Record<keyof Brand, unknown>> = {}
  Object.assign(brand, readColours(tokens), readGradient(tokens), readFamilies(site, tokens, notes), readShape(site, tokens))
  const next: Brand = { ...site.document.brand, ...brand } as Brand
  const after: Site = { ...site, document: { ...site.document, brand: next } }
  Object.assign(brand, readRoles(after, tokens), readStyles(after, tokens))
  const edits = (Object.entries(brand) as [keyof Brand, unknown][])
    .filter(([part, value]) => !isSame(value, site.document.brand[part]))
    .map(([part, value]): EditStep => ({ type: 'brand/set', part, value }))
  const unused =
    tokens.filter((token) => token.type === 'colour').length > 0 && edits.length === 0
      ? ['The site already looks like this: nothing changes.']
      : []
  return {
    edits,
    sets: edits.flatMap((edit) => (edit.type === 'brand/set' ? [inWords(edit.part, edit.value)] : [])),
    notes: [...notes, ...unused],
  }
}

const WORDS: Partial<Record<keyof Brand, string>> = {
  colour: 'brand colour',
  second: 'second colour',
  third: 'third colour',
  display: 'family for headings',
  text: 'family for text',
  shape: 'shape',
  gradient: 'grounds that run from colour to colour',
}

function inWords(part: keyof Brand, value: unknown): string {
  const count = typeof value === 'object' && value !== null ? Object.keys(value).length : 0
  if (part === 'roles') return `${count} ${count === 1 ? 'role' : 'roles'} set by hand`
  if (part === 'styles') return `${count} text ${count === 1 ? 'style' : 'styles'}`
  return typeof value === 'string' ? `${WORDS[part] ?? part}: ${own(FAMILIES, value)?.name ?? value}` : (WORDS[part] ?? part)
}

const slashed = (path: string): string => path.toLowerCase().replaceAll(/[-_. ]/g, '/')
type ColourToken = Extract<ReadToken, { type: 'colour' }>

/** What a colour is for, by what token files commonly call it. Common practice, no source. */
const COLOUR_NAMES: readonly (readonly [part: 'colour' | 'second' | 'third', RegExp])[] = [
  ['colour', /(^|\/)(brand|primary|main)(\/(colou?r|base|default|500|600))?$/],
  ['second', /(^|\/)(second|secondary)(\/(colou?r|base|default|500|600))?$/],
  ['third', /(^|\/)(third|tertiary|accent)(\/(colou?r|base|default|500|600))?$/],
]
const VIVID = 0.04

function readColours(tokens: readonly ReadToken[]): Partial<Brand> {
  const colours = tokens.filter((t): t is ColourToken => t.type === 'colour')
  const own = (['colour', 'second', 'third'] as const).flatMap((part) => {
    const token = colours.find((t) => slashed(t.path) === `brand/${part}`)
    return token ? [[part, token.hex] as const] : []
  })
  if (own.length > 0) return Object.fromEntries(own)
  const named = COLOUR_NAMES.flatMap(([part, name]) => {
    const token = colours.find((t) => name.test(slashed(t.path)))
    return token ? [[part, token.hex] as const] : []
  })
  if (named.some(([part]) => part === 'colour')) return Object.fromEntries(named)
  const vivid = [...new Set(colours.filter((t) => toOklch(t.hex).c > VIVID).map((t) => t.hex))]
  return Object.fromEntries(
    (['colour', 'second', 'third'] as const).flatMap((part, i) => (vivid[i] === undefined ? [] : [[part, vivid[i]] as const])),
  )
}

function readGradient(tokens: readonly ReadToken[]): Partial<Brand> {
  const [angle, strength] = ['gradient/angle', 'gradient/strength'].map((path) => tokens.find((t) => slashed(t.path) === path))
  return angle?.type === 'number' && strength?.type === 'number'
    ? { gradient: { angle: within(angle.value, [0, 360]), strength: within(strength.value, [0, 1]) } }
    : {}
}

function readFamilies(site: Site, tokens: readonly ReadToken[], notes: string[]): Partial<Brand> {
  const wanted: Partial<Record<'display' | 'text', readonly string[]>> = {}
  for (const token of tokens) {
    if (token.type !== 'families') continue
    const path = slashed(token.path)
    const part = /(^|\/)(display|heading|headings|title)(\/|$)/.test(path)
      ? 'display'
      : /(^|\/)(text|body|copy|base)(\/|$)/.test(path)
        ? 'text'
        : undefined
    if (part) wanted[part] ??= token.names
  }
  const known = [...ownFamilies(site.document.brand.fonts ?? []), ...Object.values(FAMILIES)]
  const families = siteFamilies(site)
  return Object.fromEntries(
    Object.entries(wanted).flatMap(([part, names]) => {
      const family = names.map((name) => known.find((f) => f.name.toLowerCase() === name.toLowerCase())).find((f) => f !== undefined)
      if (!family) notes.push(`There is no family “${names[0]}” here. Bring its font file in, or choose another.`)
      return family && family.key !== families[part as 'display' | 'text'].key ? [[part, family.key] as const] : []
    }),
  )
}

function readShape(site: Site, tokens: readonly ReadToken[]): Partial<Brand> {
  const at = (path: string): ReadToken | undefined => tokens.find((t) => slashed(t.path) === path)
  const [corner, rule, density, shadow] = [at('shape/corner'), at('shape/rule'), at('shape/density'), at('shape/shadow')]
  const found = {
    ...(corner?.type === 'size' ? { corner: within(corner.px, LIMITS.corner) } : {}),
    ...(rule?.type === 'size' ? { rule: within(rule.px, LIMITS.rule) } : {}),
    ...(density?.type === 'number' ? { density: within(density.value, LIMITS.density) } : {}),
    ...(shadow?.type === 'shadow'
      ? {
          shadow: {
            x: within(shadow.x, [-LIMITS.offset[1], LIMITS.offset[1]]),
            y: within(shadow.y, [-LIMITS.offset[1], LIMITS.offset[1]]),
            blur: within(shadow.blur, LIMITS.blur),
            strength: within(shadow.strength, [0, 1]),
          },
        }
      : {}),
  }
  return Object.keys(found).length === 0 ? {} : { shape: { ...site.document.brand.shape, ...found } }
}

function readRoles(site: Site, tokens: readonly ReadToken[]): Partial<Brand> {
  const { brand, dress } = site.document
  const spec = findScheme(templateOf(site), dress.scheme ?? null)
  const roles: Record<string, string> = { ...brand.roles }
  for (const [group, form] of [
    ['tone', dress.dark === true ? 'dark' : 'light'],
    ['tone/dark', 'dark'],
  ] as const) {
    const given = tokens.flatMap((token) => {
      const [, tone, role] = token.type === 'colour' ? (new RegExp(`^${group}/([a-z]+)/([a-z/]+)$`).exec(slashed(token.path)) ?? []) : []
      return token.type === 'colour' && TONES.some((t) => t === tone) && ROLES.some((r) => r === role?.replace('/', '-'))
        ? [{ tone: tone as Tone, role: role?.replace('/', '-') as Role, hex: token.hex }]
        : []
    })
    // One after another, since a surface set by hand moves what stands on it.
    for (const role of ROLES)
      for (const token of given) {
        if (token.role !== role) continue
        const scheme = makeScheme(spec, { ...brand, roles }, form === 'dark')
        if (scheme[token.tone][role] !== token.hex) roles[`${form}/${token.tone}/${role}`] = token.hex
      }
  }
  return Object.keys(roles).length === 0 ? {} : { roles }
}

function readStyles(site: Site, tokens: readonly ReadToken[]): Partial<Brand> {
  const all = textStylesOf(site)
  const styles: { [name in TextStyleName]?: TextStyleChange | undefined } = { ...site.document.brand.styles }
  for (const token of tokens) {
    const [, name, at] = token.type === 'typography' ? (/^style\/([a-z0-9]+)\/(phone|desktop)$/.exec(slashed(token.path)) ?? []) : []
    const style = TEXT_STYLES.find((s) => s === name)
    if (token.type !== 'typography' || !style || !at) continue
    const change = changedStyle(site, style, at as 'phone' | 'desktop', token)
    if (Object.keys(change).length > 0) styles[style] = { ...styles[style], ...change }
  }
  // A desktop size alone would take the phone's along: what the file says of the phone is kept beside it.
  for (const token of tokens) {
    const style = TEXT_STYLES.find((s) => slashed(token.path) === `style/${s}/phone`)
    const set = style && styles[style]
    if (!set || set.desktop === undefined || set.phone !== undefined || token.type !== 'typography' || token.px === null) continue
    styles[style] = { ...set, phone: within(token.px, SIZE_LIMITS[style]) }
  }
  return Object.keys(styles).length === 0 ? {} : { styles }

  function changedStyle(
    of: Site,
    style: TextStyleName,
    at: 'phone' | 'desktop',
    token: Extract<ReadToken, { type: 'typography' }>,
  ): TextStyleChange {
    const now = all[style]
    const spacing = token.spacingPx === null || token.px === null ? now.spacing : Math.round((token.spacingPx / token.px) * 1000) / 1000
    const named = [...ownFamilies(of.document.brand.fonts ?? []), ...Object.values(FAMILIES)].find(
      (f) => f.name.toLowerCase() === token.names[0]?.toLowerCase(),
    )
    return {
      ...(named && named.key !== styleFamily(of, now.family).key ? { family: named.key } : {}),
      ...(token.px !== null && token.px !== now[at] ? { [at]: within(token.px, SIZE_LIMITS[style]) } : {}),
      ...(token.weight !== null && token.weight !== now.weight ? { weight: within(token.weight, LIMITS.weight) } : {}),
      ...(token.line !== null && token.line !== now.line ? { line: within(token.line, LIMITS.line) } : {}),
      ...(Math.abs(spacing - now.spacing) > 0.0011 ? { spacing: within(spacing, LIMITS.spacing) } : {}),
    }
  }
}
