import { toDesignTokens, type ColourValue } from './tokens-out'
import type { Site } from '../fill'
import { factsOf } from '../site'

/** The brand as CSS custom properties, named by the path of the token: `--tone-paper-text`. */
export function toCssVariables(site: Site): string {
  const lines: string[] = []
  walk(toDesignTokens(site), [], null, lines)
  return (
    `/* Brand of ${(factsOf(site.document).name ?? 'the client').replaceAll('*/', '')} */\n:root ` +
    `{\n${lines.map((line) => `  ${line}`).join('\n')}\n}\n`
  )
}

type Group = { readonly [name: string]: unknown }

function walk(group: Group, path: readonly string[], inherited: string | null, lines: string[]): void {
  const type = typeof group.$type === 'string' ? group.$type : inherited
  if ('$value' in group) return void write(path, type, group.$value, lines)
  for (const [name, part] of Object.entries(group)) if (!name.startsWith('$')) walk(part as Group, [...path, name], type, lines)
}

type Dimension = { readonly value: number; readonly unit: string }
type Typography = {
  readonly fontFamily: readonly string[]
  readonly fontSize: Dimension
  readonly fontWeight: number
  readonly letterSpacing: Dimension
  readonly lineHeight: number
}
type Shadow = { readonly color: ColourValue; readonly offsetX: Dimension; readonly offsetY: Dimension; readonly blur: Dimension }

function write(path: readonly string[], type: string | null, value: unknown, lines: string[]): void {
  const name = `--${path.join('-')}`
  const size = ({ value: n, unit }: Dimension): string => `${n}${unit}`
  const quoted = (names: readonly string[]): string => names.map((n) => (/^[a-z-]+$/.test(n) ? n : `"${n}"`)).join(', ')
  if (type === 'color') lines.push(`${name}: ${(value as ColourValue).hex};`)
  else if (type === 'fontFamily') lines.push(`${name}: ${quoted(value as string[])};`)
  else if (type === 'dimension') lines.push(`${name}: ${size(value as Dimension)};`)
  else if (type === 'number') lines.push(`${name}: ${value as number};`)
  else if (type === 'shadow') {
    const { color, offsetX, offsetY, blur } = value as Shadow
    lines.push(`${name}: ${size(offsetX)} ${size(offsetY)} ${size(blur)} rgb(0 0 0 / ${color.alpha ?? 1});`)
  } else if (type === 'typography') {
    const { fontFamily, fontSize, fontWeight, letterSpacing, lineHeight } = value as Typography
    lines.push(
      `${name}-family: ${quoted(fontFamily)};`,
      `${name}-size: ${size(fontSize)};`,
      `${name}-weight: ${fontWeight};`,
      `${name}-spacing: ${size(letterSpacing)};`,
      `${name}-line: ${lineHeight};`,
    )
  }
}
