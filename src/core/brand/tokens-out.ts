import { factsOf, ROLES, TEXT_STYLES, TONES, type Brand } from '../site'
import { siteScheme, type Site } from '../fill'
import { siteFamilies, styleFamily, textStylesOf } from '../render'

/** A colour as the Design Tokens Color Module (2025.10) writes it. */
export type ColourValue = {
  readonly colorSpace: 'srgb'
  readonly components: readonly [number, number, number]
  readonly hex: string
  readonly alpha?: number
}
type TokenGroup = { readonly [name: string]: unknown }

/**
 * The brand as design tokens, in the W3C community group's format (Design Tokens Format Module 2025.10): the client's
 * colours, every role on every tone, families, text styles at phone and desktop size, shape.
 */
export function toDesignTokens(site: Site): TokenGroup {
  const {
    brand,
    dress: { dark },
  } = site.document
  const { display, text } = siteFamilies(site)
  return {
    $description: `Brand of ${factsOf(site.document).name ?? 'the client'}`,
    brand: {
      $type: 'color',
      ...Object.fromEntries(
        (['colour', 'second', 'third'] as const).flatMap((part) => (brand[part] === undefined ? [] : [[part, colour(brand[part])]])),
      ),
    },
    tone: { $type: 'color', ...tones(site, dark === true) },
    ...(dark === 'visitor' ? { 'tone-dark': { $type: 'color', ...tones(site, true) } } : {}),
    family: {
      $type: 'fontFamily',
      display: { $value: [display.name, ...generic(display.fallback)] },
      text: { $value: [text.name, ...generic(text.fallback)] },
    },
    style: styles(site),
    ...(brand.gradient
      ? { gradient: { $type: 'number', angle: { $value: brand.gradient.angle }, strength: { $value: brand.gradient.strength } } }
      : {}),
    ...shape(brand.shape),
  }
}

function colour(hex: string): { $value: ColourValue } {
  const components = [1, 3, 5].map((at) => Number((Number.parseInt(hex.slice(at, at + 2), 16) / 255).toFixed(4))) as [
    number,
    number,
    number,
  ]
  return { $value: { colorSpace: 'srgb', components, hex } }
}

function tones(site: Site, dark: boolean): TokenGroup {
  const scheme = siteScheme(site, dark)
  return Object.fromEntries(TONES.map((tone) => [tone, Object.fromEntries(ROLES.map((role) => [role, colour(scheme[tone][role])]))]))
}

function generic(fallback: string): string[] {
  return fallback.split(',').map((name) => name.trim().replaceAll('"', ''))
}

const px = (value: number): { value: number; unit: 'px' } => ({ value, unit: 'px' })

function styles(site: Site): TokenGroup {
  const all = textStylesOf(site)
  const set = (name: (typeof TEXT_STYLES)[number], at: 'phone' | 'desktop'): TokenGroup => {
    const { family, weight, line, spacing } = all[name]
    const letterSpacing = Number((spacing * all[name][at]).toFixed(3))
    return {
      $type: 'typography',
      $value: {
        fontFamily: [styleFamily(site, family).name],
        fontSize: px(all[name][at]),
        fontWeight: weight,
        letterSpacing: px(letterSpacing),
        lineHeight: line,
      },
    }
  }
  return Object.fromEntries(TEXT_STYLES.map((name) => [name, { phone: set(name, 'phone'), desktop: set(name, 'desktop') }]))
}

function shape(set: Brand['shape']): TokenGroup {
  if (!set) return {}
  const { corner, rule, density, shadow } = set
  const black = (alpha: number): ColourValue => ({ colorSpace: 'srgb', components: [0, 0, 0], hex: '#000000', alpha })
  return {
    shape: {
      ...(corner === undefined ? {} : { corner: { $type: 'dimension', $value: px(corner) } }),
      ...(rule === undefined ? {} : { rule: { $type: 'dimension', $value: px(rule) } }),
      ...(density === undefined ? {} : { density: { $type: 'number', $value: density } }),
      ...(shadow === undefined
        ? {}
        : {
            shadow: {
              $type: 'shadow',
              $value: { color: black(shadow.strength), offsetX: px(shadow.x), offsetY: px(shadow.y), blur: px(shadow.blur), spread: px(0) },
            },
          }),
    },
  }
}
