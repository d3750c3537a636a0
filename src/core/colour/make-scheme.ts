import type { Tone } from '../site'
import { contrastRatio } from './contrast-ratio'
import { fitContrast } from './fit-contrast'
import { fromOklch, mixToward, toOklch } from './oklch'

/** What a colour is for on a surface. */
export const ROLES = ['surface', 'text', 'muted', 'heading', 'link', 'mark', 'button', 'button-text', 'rule', 'focus'] as const
export type Role = (typeof ROLES)[number]
export type Roles = Readonly<Record<Role, string>>
export type Scheme = Readonly<Record<Tone, Roles>>

type Surface = { readonly l: number; readonly c: number; readonly h: number | 'brand' }
type Spec = { readonly colour: string; readonly paper: Surface; readonly tint: Surface; readonly ink: Surface }

/**
 * WCAG 2.2, 1.4.3 (text, 4.5) and 1.4.11 (controls and focus, 3), and a hair more: checkers that carry the luminance
 * coefficients to more digits differ in the third place.
 */
const TEXT = 4.51
const CONTROL = 3.01

/**
 * The colours of every role on every tone, from the client's colour (or the template's where there is none yet).
 * The brand colour is used as it is wherever it can be read, and moved in lightness only as far as needed elsewhere.
 * Every text role reaches 4.5 and every control 3 on its surface, whatever the colour.
 */
export function makeScheme(spec: Spec, brand: string | null): Scheme {
  const colour = brand ?? spec.colour
  const hue = toOklch(colour)
  const surface = (s: Surface): string => fromOklch({ l: s.l, c: s.h === 'brand' ? Math.min(s.c, hue.c) : s.c, h: s.h === 'brand' ? hue.h : s.h })
  const [paper, tint, ink] = [surface(spec.paper), surface(spec.tint), surface(spec.ink)]
  return {
    paper: makeRoles(paper, ink, paper, colour),
    tint: makeRoles(tint, ink, paper, colour),
    accent: makeRoles(colour, ink, paper, colour),
    ink: makeRoles(ink, ink, paper, colour),
    picture: makeRoles(ink, ink, paper, colour),
  }
}

function makeRoles(surface: string, ink: string, paper: string, brand: string): Roles {
  const words = contrastRatio(ink, surface) >= contrastRatio(paper, surface) ? ink : paper
  const text = fitContrast(words, surface, TEXT)
  const button = contrastRatio(brand, surface) >= CONTROL ? brand : surface === brand ? text : fitContrast(brand, surface, CONTROL)
  const accent = fitContrast(brand, surface, TEXT)
  const onButton = contrastRatio(paper, button) >= contrastRatio(ink, button) ? paper : ink
  return {
    surface,
    text,
    heading: text,
    muted: fitContrast(mixToward(text, surface, 0.28), surface, TEXT),
    link: accent,
    mark: accent,
    button,
    'button-text': fitContrast(onButton, button, TEXT),
    rule: mixToward(surface, text, 0.3),
    focus: fitContrast(brand, surface, CONTROL),
  }
}
