import { memoOf } from '../memo'
import type { Brand, Role, Tone } from '../site'
import { contrastRatio } from './contrast-ratio'
import { fitContrast } from './fit-contrast'
import { ALIKE, colourDistance, fromOklch, mixOklch, mixToward, toOklch } from './oklch'
import { layOver } from './veil'

export { ROLES, type Role } from '../site'
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
/** What of a brand its colours come from: one to three colours (six-digit hex), roles set by hand, the run of gradients. */
export type BrandColours = Pick<Brand, 'colour' | 'second' | 'third' | 'roles' | 'gradient'>

/**
 * WCAG 2.2, 1.4.3 (text, 4.5) and 1.4.11 (controls and focus, 3), and a hair more: checkers that carry the luminance
 * coefficients to more digits differ in the third place.
 */
const TEXT = 4.51
const CONTROL = 3.01

/** The least contrast of a role against its surface, plane and gradient; of the text on a button, against the button. */
export const LEAST_CONTRAST = {
  text: TEXT,
  heading: TEXT,
  muted: TEXT,
  link: TEXT,
  mark: TEXT,
  'button-text': TEXT,
  'button-edge': CONTROL,
  focus: CONTROL,
} as const satisfies Partial<Record<Role, number>>

/** Lightness of the surfaces of a dark site; the template's ink gives hue and chroma. */
const DARK = { paper: 0.2, tint: 0.25, ink: 0.15 }
const DARK_CHROMA = 0.03

/** The tones whose grounds run from one colour to another where the brand asks for it. */
export const GRADIENT_TONES: ReadonlySet<Tone> = new Set(['accent', 'ink'])

/**
 * The colours of every role on every tone, from the client's colours (or the scheme's where there are none yet): the first
 * for buttons and links, the second for the accent tone, the third for marks. A colour is used as it is wherever it can be
 * read, and moved in lightness only as far as needed elsewhere; so is a role set by hand. Every text role reaches 4.5 and
 * every control 3 on its surface, whatever the colours. `dark` gives the same scheme on dark surfaces.
 */
export function makeScheme(spec: SchemeSpec, brand: BrandColours, dark = false): Scheme {
  const usual: Pick<SchemeSpec, 'colour' | 'second' | 'third'> = brand.colour === undefined ? spec : { colour: brand.colour }
  const colours = {
    first: usual.colour,
    second: brand.second ?? usual.second ?? usual.colour,
    third: brand.third ?? usual.third ?? usual.colour,
  }
  const hue = toOklch(colours.first)
  const surface = (s: SchemeSurface): string =>
    s.h === 'brand' ? fromOklch({ l: s.l, c: Math.min(s.c, hue.c), h: hue.h }) : fixedSurface(s)
  const night = (l: number): string => surface({ ...spec.ink, c: Math.min(spec.ink.c, DARK_CHROMA), l })
  const words = { dark: surface(spec.ink), light: surface(spec.paper) }
  const [paper, tint, ink] = dark ? [night(DARK.paper), night(DARK.tint), night(DARK.ink)] : [words.light, surface(spec.tint), words.dark]
  const form = dark ? 'dark' : 'light'
  const roles = (tone: Tone, on: string, plane: string | null = null): Roles => {
    const { roles: set } = brand
    const byHand = set ? (role: Role): string | undefined => set[`${form}/${tone}/${role}`] : NOTHING
    return makeRoles(
      { surface: byHand('surface') ?? on, plane, byHand, turn: brand.gradient && GRADIENT_TONES.has(tone) ? brand.gradient.strength : 0 },
      words,
      colours,
    )
  }
  return {
    paper: roles('paper', paper, tint),
    tint: roles('tint', tint, paper),
    accent: roles('accent', colours.second),
    ink: roles('ink', ink),
    picture: roles('picture', words.dark),
  }
}

/** A surface that owes nothing to the client's colour is the same each time. */
const fixedSurface = memoOf(({ l, c, h }: SchemeSurface) => fromOklch({ l, c, h: h === 'brand' ? 0 : h }))

type Words = { readonly dark: string; readonly light: string }
type Colours = { readonly first: string; readonly second: string; readonly third: string }
type Ground = {
  readonly surface: string
  readonly plane: string | null
  readonly byHand: (role: Role) => string | undefined
  readonly turn: number
}

const NOTHING = (): undefined => undefined

/** How far a plane stands off its surface. Paper's is tint and tint's is paper; the others are made. */
const PLANE = 0.05

/** Every role is fitted to all that it can stand on: the surface, the plane on it, the colours it runs through. */
function makeRoles({ surface, plane: wanted, byHand, turn }: Ground, { dark, light }: Words, { first, third }: Colours): Roles {
  const base = fitContrast(betterOf(dark, light, surface), surface, TEXT)
  const end = turn === 0 ? surface : (byHand('end') ?? runFrom(surface, base, turn))
  const run = readableRun(surface, end, base)
  const flat = byHand('plane') ?? wanted
  const plane = flat && contrastRatio(base, flat) >= TEXT ? flat : planeOn(surface, base, dark, light)
  const grounds = run.length === 0 ? [surface, plane] : [surface, plane, ...run]
  const fit = (colour: string, least: number): string => fitToAll(colour, grounds, least) ?? base
  const hand = (role: Role, otherwise: () => string, least = TEXT): string => {
    const own = byHand(role)
    return own === undefined ? otherwise() : fit(own, least)
  }
  const text = hand('text', () => base)
  const surfaceLch = toOklch(surface)
  const textLch = toOklch(text)
  const asked = byHand('button') ?? (surface === first ? text : first)
  const fitted = fit(asked, CONTROL)
  const button = isKeptBright(asked, fitted, dark) ? asked : fitted
  const edge = hand('button-edge', () => fitted, CONTROL)
  const link = hand('link', () => fit(first, TEXT))
  const mark = hand('mark', () => (third === first ? link : fit(third, TEXT)))
  return {
    surface,
    end: run.at(-1) ?? surface,
    plane,
    text,
    heading: hand('heading', () => text),
    muted: hand('muted', () => fit(mixOklch(textLch, surfaceLch, 0.28), TEXT)),
    link,
    mark,
    stripe: byHand('stripe') ?? (colourDistance(third, mark) >= ALIKE && colourDistance(third, surface) >= SEEN ? third : mark),
    button,
    'button-text': fitContrast(byHand('button-text') ?? betterOf(dark, light, button), button, TEXT),
    'button-edge': edge,
    rule: byHand('rule') ?? mixOklch(surfaceLch, textLch, 0.3),
    focus: hand('focus', () => (surface === first ? fit(first, CONTROL) : edge), CONTROL),
  }
}

/** A line in a colour that is so far from its surface, in OKLab, is plain to see, though nothing could be read in it. */
const SEEN = 0.1

/**
 * Whether a button keeps a bright colour that its surface does not set off: where dark words can be read on it, and moving it would change
 * it to the eye. Its edge, in the colour that it would have been moved to, then tells it from the surface (WCAG 2.2, 1.4.11).
 */
function isKeptBright(asked: string, fitted: string, dark: string): boolean {
  return toOklch(asked).l > toOklch(fitted).l && contrastRatio(dark, asked) >= TEXT && colourDistance(asked, fitted) >= ALIKE
}

/** The colour nearest to one asked for that reaches `least` on every ground; null where one fit undoes another. */
export function fitToAll(colour: string, grounds: readonly string[], least: number): string | null {
  let fitted = colour
  for (const ground of grounds) fitted = fitContrast(fitted, ground, least)
  return grounds.every((ground) => contrastRatio(fitted, ground) >= least) ? fitted : null
}

/** A plane on a surface that has none of its own: a step towards the text while that can still be read, else a step away from it. */
function planeOn(surface: string, text: string, dark: string, light: string): string {
  const toward = mixToward(surface, text, PLANE)
  if (contrastRatio(text, toward) >= TEXT) return toward
  return mixToward(surface, contrastRatio(text, dark) > contrastRatio(text, light) ? dark : light, PLANE)
}

/** So far, at strength 1, a ground runs: in degrees of hue, and in lightness away from the text on it. */
const RUN_HUE = 50
const RUN_LIGHTNESS = 0.14

function runFrom(surface: string, text: string, strength: number): string {
  const from = toOklch(surface)
  const away = toOklch(text).l > from.l ? -1 : 1
  return fromOklch({
    l: Math.min(1, Math.max(0, from.l + away * RUN_LIGHTNESS * strength)),
    c: from.c,
    h: (from.h + RUN_HUE * strength) % 360,
  })
}

const STOPS = Array.from({ length: 10 }, (_, i) => (i + 1) / 10)

/**
 * The colours that a ground runs through, to its end, as a browser draws a gradient; the end is brought nearer until the
 * text can be read on all of them. Empty where the ground is flat.
 */
function readableRun(surface: string, end: string, text: string): readonly string[] {
  if (end === surface) return []
  for (let to = end, tries = 0; tries < 6; tries++) {
    const run = STOPS.map((share) => layOver(to, surface, share))
    if (run.every((stop) => contrastRatio(text, stop) >= TEXT)) return run
    to = layOver(to, surface, 0.5)
  }
  return []
}

function betterOf(a: string, b: string, surface: string): string {
  return contrastRatio(a, surface) >= contrastRatio(b, surface) ? a : b
}
