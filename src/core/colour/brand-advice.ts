import type { Tone } from '../site'
import { contrastRatio } from './contrast-ratio'
import { makeScheme, type BrandColours, type Role, type Roles, type Scheme, type SchemeSpec } from './make-scheme'
import { ALIKE, colourDistance, toOklch } from './oklch'

/** How a colour had to be moved: its lightness in OKLCH, in points of a hundred, and the whole way in OKLab; null where it stayed. */
export type Move = { readonly lightness: number; readonly distance: number }

export function moveBetween(asked: string, drawn: string): Move | null {
  if (asked === drawn) return null
  return { lightness: Math.round((toOklch(drawn).l - toOklch(asked).l) * 100), distance: colourDistance(asked, drawn) }
}

/** The roles that the client's colours are asked for. */
const ASKS: readonly (readonly [role: Role, part: 'colour' | 'second' | 'third', tones: readonly Tone[]])[] = [
  ['button', 'colour', ['paper', 'tint', 'ink', 'picture']],
  ['link', 'colour', ['paper', 'tint', 'ink', 'picture']],
  ['surface', 'second', ['accent']],
  ['mark', 'third', ['paper', 'tint', 'accent', 'ink', 'picture']],
]

/** Every place where a brand colour could not be used as it is, and by how much it was moved there. */
export function brandMoves(
  scheme: Scheme,
  brand: BrandColours,
): readonly (Move & { readonly tone: Tone; readonly role: Role; readonly asked: string; readonly drawn: string })[] {
  return ASKS.flatMap(([role, part, tones]) => {
    const asked = brand[part]
    return asked === undefined
      ? []
      : tones.flatMap((tone) => {
          const drawn = scheme[tone][role]
          const move = moveBetween(asked, drawn)
          return move ? [{ tone, role, asked, drawn, ...move }] : []
        })
  })
}

/** What is worth saying of the client's colours: which are hardly apart, and where the first had to be moved to be read. */
export function adviseBrand(spec: SchemeSpec, brand: BrandColours): readonly string[] {
  const given = [brand.colour, brand.second, brand.third].filter((c) => c !== undefined)
  const alike = given.some((a, i) => given.slice(i + 1).some((b) => colourDistance(a, b) < ALIKE))
  const { paper } = makeScheme(spec, brand)
  const move = brand.colour === undefined ? null : moveBetween(brand.colour, paper.link)
  return [
    ...(move
      ? [
          `On paper it reaches ${contrastRatio(brand.colour ?? '', paper.surface).toFixed(1)}:1, and text needs 4.5:1; ` +
            `links use ${paper.link} there, ${Math.abs(move.lightness)} points ${move.lightness < 0 ? 'darker' : 'lighter'}. ` +
            `Buttons and the accent tone ${buttonWords(paper, brand.colour)}.`,
        ]
      : []),
    ...(alike ? ['Two of these colours are hardly apart; a visitor will take them for one.'] : []),
  ]
}

function buttonWords({ button, 'button-edge': edge }: Roles, asked: string | undefined): string {
  if (button !== asked) return `use ${button}`
  return edge === button ? 'use it as it is' : `keep it, buttons with an edge of ${edge} to be told from the paper`
}
