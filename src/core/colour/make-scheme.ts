import type { Tone } from '../site'
import { contrastRatio } from './contrast-ratio'
import { fitContrast } from './fit-contrast'
import { fromOklch, mixToward, toOklch } from './oklch'

/** What a colour is for on a surface. */
export const ROLES = ['surface', 'plane', 'text', 'muted', 'heading', 'link', 'mark', 'button', 'button-text', 'rule', 'focus'] as const
export type Role = (typeof ROLES)[number]
export type Roles = Readonly<Record<Role, string>>
export type Scheme = Readonly<Record<Tone, Roles>>

/** A surface in OKLCH; `brand` takes the hue of the client's colour, and never more chroma than it has. */
export type SchemeSurface = { readonly l: number; readonly c: number; readonly h: number | 'brand' }
/** A set of surfaces, and the colours that stand for the brand until the client's are known. */
export type SchemeSpec = {
  readonly colour: string
  readonly second?: string | undefined
  readonly third?: string | undefined
  readonly paper: SchemeSurface
  readonly tint: SchemeSurface
  readonly ink: SchemeSurface
}
/** The client's one to three colours, six-digit hex. */
export type BrandColours = { readonly colour?: string | undefined; readonly second?: string | undefined; readonly third?: string | undefined }

/**
 * WCAG 2.2, 1.4.3 (text, 4.5) and 1.4.11 (controls and focus, 3), and a hair more: checkers that carry the luminance
 * coefficients to more digits differ in the third place.
 */
const TEXT = 4.51
const CONTROL = 3.01

/** Lightness of the surfaces of a dark site; the template's ink gives hue and chroma. */
const DARK = { paper: 0.2, tint: 0.25, ink: 0.15 }
const DARK_CHROMA = 0.03

/**
 * The colours of every role on every tone, from the client's colours (or the scheme's where there are none yet): the first
 * for buttons and links, the second for the accent tone, the third for marks. A colour is used as it is wherever it can be
 * read, and moved in lightness only as far as needed elsewhere. Every text role reaches 4.5 and every control 3 on its
 * surface, whatever the colours. `dark` gives the same scheme on dark surfaces.
 */
export function makeScheme(spec: SchemeSpec, brand: BrandColours, dark = false): Scheme {
  const own = brand.colour === undefined ? spec : brand
  const colours = { first: own.colour ?? spec.colour, second: own.second ?? own.colour ?? spec.colour, third: own.third ?? own.colour ?? spec.colour }
  const hue = toOklch(colours.first)
  const surface = (s: SchemeSurface): string => fromOklch({ l: s.l, c: s.h === 'brand' ? Math.min(s.c, hue.c) : s.c, h: s.h === 'brand' ? hue.h : s.h })
  const night = (l: number): string => surface({ ...spec.ink, c: Math.min(spec.ink.c, DARK_CHROMA), l })
  const words = { dark: surface(spec.ink), light: surface(spec.paper) }
  const [paper, tint, ink] = dark ? [night(DARK.paper), night(DARK.tint), night(DARK.ink)] : [words.light, surface(spec.tint), words.dark]
  const roles = (on: string, plane: string | null = null): Roles => makeRoles(on, plane, words, colours)
  return { paper: roles(paper, tint), tint: roles(tint, paper), accent: roles(colours.second), ink: roles(ink), picture: roles(words.dark) }
}

type Words = { readonly dark: string; readonly light: string }
type Colours = { readonly first: string; readonly second: string; readonly third: string }

/** How far a plane stands off its surface. Paper's is tint and tint's is paper; the others are made. */
const PLANE = 0.05

/** Every role is fitted to the surface and to the plane on it, so that what can be read on one can be read on both. */
function makeRoles(surface: string, wanted: string | null, { dark, light }: Words, { first, third }: Colours): Roles {
  const text = fitContrast(betterOf(dark, light, surface), surface, TEXT)
  const plane = wanted && contrastRatio(text, wanted) >= TEXT ? wanted : planeOn(surface, text, dark, light)
  const fit = (colour: string, least: number): string => {
    const fitted = fitContrast(fitContrast(colour, surface, least), plane, least)
    return contrastRatio(fitted, surface) >= least ? fitted : text
  }
  const button = surface === first ? text : fit(first, CONTROL)
  const link = fit(first, TEXT)
  return {
    surface,
    plane,
    text,
    heading: text,
    muted: fit(mixToward(text, surface, 0.28), TEXT),
    link,
    mark: third === first ? link : fit(third, TEXT),
    button,
    'button-text': fitContrast(betterOf(dark, light, button), button, TEXT),
    rule: mixToward(surface, text, 0.3),
    focus: surface === first ? fit(first, CONTROL) : button,
  }
}

/** A plane on a surface that has none of its own: a step towards the text while that can still be read, else a step away from it. */
function planeOn(surface: string, text: string, dark: string, light: string): string {
  const toward = mixToward(surface, text, PLANE)
  if (contrastRatio(text, toward) >= TEXT) return toward
  return mixToward(surface, contrastRatio(text, dark) > contrastRatio(text, light) ? dark : light, PLANE)
}

function betterOf(a: string, b: string, surface: string): string {
  return contrastRatio(a, surface) >= contrastRatio(b, surface) ? a : b
}
