import { own } from '../own'
import { parseColour } from '../colour'

/** A design token that was read, by the path of its name: `brand/colour`. Sizes in px. */
export type ReadToken =
  | { readonly path: string; readonly type: 'colour'; readonly hex: string }
  | { readonly path: string; readonly type: 'families'; readonly names: readonly string[] }
  | { readonly path: string; readonly type: 'size'; readonly px: number }
  | { readonly path: string; readonly type: 'number'; readonly value: number }
  | {
      readonly path: string
      readonly type: 'typography'
      readonly names: readonly string[]
      readonly px: number | null
      readonly weight: number | null
      readonly line: number | null
      readonly spacingPx: number | null
    }
  | {
      readonly path: string
      readonly type: 'shadow'
      readonly x: number
      readonly y: number
      readonly blur: number
      readonly strength: number
    }
export type TokensRead =
  | { readonly ok: true; readonly tokens: readonly ReadToken[]; readonly notes: readonly string[] }
  | { readonly ok: false; readonly fault: string }

/** More than this is no brand; a file of more is refused before its aliases are followed. */
const MOST_TOKENS = 5000
const ROOT = 16

type Json = { readonly [key: string]: unknown }
const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Design tokens from the text of a file: JSON in the W3C community group's format, or CSS with custom properties. */
export function readTokens(text: string): TokensRead {
  const words = text.replace(/^\uFEFF/, '').trim()
  if (words === '') return { ok: false, fault: 'The file is empty.' }
  return words.startsWith('{') || words.startsWith('[') ? readJsonTokens(words) : readCssTokens(words)
}

function readJsonTokens(text: string): TokensRead {
  let file: unknown
  try {
    file = JSON.parse(text)
  } catch (error) {
    return { ok: false, fault: `The file is not valid JSON: ${error instanceof Error ? error.message : 'it cannot be parsed'}.` }
  }
  if (!isObject(file)) return { ok: false, fault: 'The file holds no tokens: its outermost part must be a group in braces.' }
  const found = collect(file)
  if (found.size === 0) return { ok: false, fault: 'There is no token in the file: a token is an object with a “$value”.' }
  if (found.size > MOST_TOKENS) return { ok: false, fault: `The file holds ${found.size} tokens; up to ${MOST_TOKENS} can be read.` }
  const notes: string[] = []
  const tokens = [...found.keys()].flatMap((path) => {
    const resolved = resolve(found, path)
    if ('fault' in resolved) {
      notes.push(`${path}: ${resolved.fault}`)
      return []
    }
    const token = toToken(path, resolved.type, resolved.value)
    if (token) return [token]
    if (resolved.type && KNOWN.has(resolved.type)) notes.push(`${path}: its value is no ${resolved.type}.`)
    return []
  })
  return { ok: true, tokens, notes }
}

const KNOWN: ReadonlySet<string> = new Set(['color', 'fontFamily', 'dimension', 'number', 'typography', 'shadow'])

type Raw = { readonly value: unknown; readonly type: string | null }

/** Every token by its path; a group's `$type` holds for what is in it. */
function collect(group: Json): Map<string, Raw> {
  const found = new Map<string, Raw>()
  const walk = (at: Json, path: readonly string[], inherited: string | null): void => {
    if (path.length > 20 || found.size > MOST_TOKENS) return
    const type = typeof at.$type === 'string' ? at.$type : inherited
    if ('$value' in at) found.set(path.join('/'), { value: at.$value, type })
    else for (const [name, part] of Object.entries(at)) if (!name.startsWith('$') && isObject(part)) walk(part, [...path, name], type)
  }
  walk(group, [], null)
  return found
}

/** A chain of more than this is nobody's brand. */
const MOST_ALIASES = 50

/** A token's value with aliases followed: `{brand.colour}` stands for that token's own value. */
function resolve(found: ReadonlyMap<string, Raw>, path: string): Raw | { readonly fault: string } {
  const seen = new Set<string>()
  let type: string | null = null
  for (let at = path; ;) {
    const raw = found.get(at)
    if (!raw) return { fault: `it stands for “${at.replaceAll('/', '.')}”, and there is no such token.` }
    if (seen.has(at)) return { fault: 'it stands for itself, by way of others.' }
    if (seen.size === MOST_ALIASES) return { fault: `it is more than ${MOST_ALIASES} names away from a value.` }
    seen.add(at)
    type ??= raw.type
    const alias = typeof raw.value === 'string' ? /^\{([^{}]+)\}$/.exec(raw.value)?.[1] : undefined
    if (alias === undefined) return { value: raw.value, type }
    at = alias.replaceAll('.', '/')
  }
}

function toToken(path: string, type: string | null, value: unknown): ReadToken | null {
  switch (type) {
    case 'color': {
      const hex = toHex(value)
      return hex === null ? null : { path, type: 'colour', hex }
    }
    case 'fontFamily':
      return families(value).length === 0 ? null : { path, type: 'families', names: families(value) }
    case 'dimension': {
      const px = toPx(value)
      return px === null ? null : { path, type: 'size', px }
    }
    case 'number':
      return typeof value === 'number' && Number.isFinite(value) ? { path, type: 'number', value } : null
    case 'typography':
      return isObject(value)
        ? {
            path,
            type: 'typography',
            names: families(value.fontFamily),
            px: toPx(value.fontSize),
            weight: toWeight(value.fontWeight),
            line: finite(value.lineHeight),
            spacingPx: toPx(value.letterSpacing),
          }
        : null
    case 'shadow': {
      const first: unknown = Array.isArray(value) ? value[0] : value
      if (!isObject(first)) return null
      const [x, y, blur] = [toPx(first.offsetX), toPx(first.offsetY), toPx(first.blur)]
      return x === null || y === null || blur === null
        ? null
        : { path, type: 'shadow', x, y, blur, strength: isObject(first.color) ? (finite(first.color.alpha) ?? 1) : 1 }
    }
    default:
      return null
  }
}

const finite = (value: unknown): number | null => (typeof value === 'number' && Number.isFinite(value) ? value : null)

/** CSS names of the colour spaces that the Color Module (4.2) lists, for `color()` or their own function. */
function toHex(value: unknown): string | null {
  if (typeof value === 'string') return opaque(value)
  if (!isObject(value)) return null
  const { colorSpace, components, hex } = value
  if (typeof hex === 'string' && colorSpace === 'srgb') return opaque(hex)
  if (typeof colorSpace !== 'string' || !Array.isArray(components) || components.length !== 3 || !/^[a-z0-9-]+$/.test(colorSpace))
    return null
  const parts = components
    .map((c: unknown, i) =>
      c === 'none' ? 'none' : `${String(finite(c) ?? 'none')}${(colorSpace === 'hsl' || colorSpace === 'hwb') && i > 0 ? '%' : ''}`,
    )
    .join(' ')
  const own = ['hsl', 'hwb', 'lab', 'lch', 'oklab', 'oklch'].includes(colorSpace)
  return opaque(own ? `${colorSpace}(${parts})` : `color(${colorSpace} ${parts})`)
}

function opaque(text: string): string | null {
  // Digits alone are a colour where a person types them, never in a file: there they are a number.
  if (/^[0-9a-f]{2,6}$/i.test(text.trim())) return null
  const parsed = parseColour(text)
  return parsed.ok ? parsed.hex : null
}

function families(value: unknown): string[] {
  return (Array.isArray(value) ? value : [value])
    .filter((name): name is string => typeof name === 'string')
    .map((name) => name.trim().replaceAll(/^["']|["']$/g, ''))
}

function toPx(value: unknown): number | null {
  if (isObject(value))
    return typeof value.value === 'number' && (value.unit === 'px' || value.unit === 'rem')
      ? value.value * (value.unit === 'rem' ? ROOT : 1)
      : null
  const [, number, unit] = typeof value === 'string' ? (/^(-?[\d.]+)(px|rem)$/.exec(value.trim()) ?? []) : []
  return number === undefined ? null : Number(number) * (unit === 'rem' ? ROOT : 1)
}

/** Weights by name, as the format lists them (8.4). */
const WEIGHTS: Readonly<Record<string, number>> = {
  thin: 100,
  light: 300,
  normal: 400,
  regular: 400,
  medium: 500,
  'semi-bold': 600,
  bold: 700,
  'extra-bold': 800,
  black: 900,
}

function toWeight(value: unknown): number | null {
  return typeof value === 'string' ? (own(WEIGHTS, value) ?? null) : finite(value)
}

/** A style sheet without its comments; one that does not end goes on to the end (CSS Syntax 3, 4.3.2). */
function withoutComments(text: string): string {
  let plain = ''
  for (let at = 0; ;) {
    const from = text.indexOf('/*', at)
    if (from < 0) return plain + text.slice(at)
    plain += `${text.slice(at, from)} `
    const end = text.indexOf('*/', from + 2)
    if (end < 0) return plain
    at = end + 2
  }
}

/**
 * Custom properties of a style sheet, each as the kind of token that its value is. Comments are passed over; the last
 * one of a name counts.
 */
function readCssTokens(text: string): TokensRead {
  const plain = withoutComments(text)
  const values = new Map<string, string>()
  for (const [, name, value] of plain.matchAll(/(?<![\w-])--([\w-]+)\s*:([^;{}]+)/g)) if (name && value) values.set(name, value.trim())
  if (values.size === 0)
    return { ok: false, fault: 'The file is neither JSON nor CSS with custom properties such as “--brand-colour: #7a2e1d”.' }
  if (values.size > MOST_TOKENS)
    return { ok: false, fault: `The file holds ${values.size} custom properties; up to ${MOST_TOKENS} can be read.` }
  const notes: string[] = []
  const tokens = [...values].flatMap(([name, value]): ReadToken[] => {
    const [, meant] = /^var\(\s*--([\w-]+)\s*\)$/.exec(value) ?? []
    const shown = meant === undefined ? value : values.get(meant)
    if (shown === undefined) notes.push(`--${name}: it stands for --${meant}, and there is no such property.`)
    return shown === undefined ? [] : cssToken(name, shown)
  })
  return { ok: true, tokens: gatherStyles(tokens), notes }
}

/** CSS has no property for a whole text style: five that share a name, as we write them, are one. */
function gatherStyles(tokens: readonly ReadToken[]): ReadToken[] {
  const at = (path: string): ReadToken | undefined => tokens.find((t) => t.path === path)
  const styles = tokens.flatMap((size): ReadToken[] => {
    const path = /^(.+)-size$/.exec(size.path)?.[1]
    const family = path === undefined ? undefined : at(`${path}-family`)
    if (path === undefined || size.type !== 'size' || family?.type !== 'families') return []
    const [weight, line, spacing] = [at(`${path}-weight`), at(`${path}-line`), at(`${path}-spacing`)]
    return [
      {
        path,
        type: 'typography',
        names: family.names,
        px: size.px,
        weight: weight?.type === 'number' ? weight.value : null,
        line: line?.type === 'number' ? line.value : null,
        spacingPx: spacing?.type === 'size' ? spacing.px : null,
      },
    ]
  })
  const parts = new Set(styles.flatMap(({ path }) => ['family', 'size', 'weight', 'line', 'spacing'].map((part) => `${path}-${part}`)))
  return [...tokens.filter((t) => !parts.has(t.path)), ...styles]
}

function cssToken(path: string, value: string): ReadToken[] {
  const hex = opaque(value)
  if (hex !== null) return [{ path, type: 'colour', hex }]
  const px = toPx(value)
  if (px !== null) return [{ path, type: 'size', px }]
  const [, x, y, blur, alpha] = /^(-?[\d.]+px) (-?[\d.]+px) ([\d.]+px) rgb\(0 0 0 \/ ([\d.]+)\)$/.exec(value) ?? []
  if (x && y && blur)
    return [
      { path, type: 'shadow', x: Number.parseFloat(x), y: Number.parseFloat(y), blur: Number.parseFloat(blur), strength: Number(alpha) },
    ]
  if (/^-?[\d.]+$/.test(value)) return [{ path, type: 'number', value: Number(value) }]
  return /["']|,|^[A-Z]/.test(value) && !value.includes('(') ? [{ path, type: 'families', names: families(value.split(',')) }] : []
}
