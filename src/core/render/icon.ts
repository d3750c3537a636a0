import { fitWords, type Brand } from '../site'
import type { Family } from '../type'
import { logoOn } from '../fill'
import { shownFact } from '../fill'
import { siteFamilies } from './site-type'
import type { Site } from '../fill'
import { siteScheme } from '../fill'

export type IconForm = NonNullable<Brand['icon']>['form']
/** What an icon stands on: its ground and the ink of letters there, as six-digit hex, and the asset id of the logo whose mark is shown. */
export type IconGround = { readonly ground: string; readonly ink: string; readonly mark: string | null }
/** What a site's small picture is drawn from: the mark of a logo, or letters in the site's own type where it has none. */
export type IconPlan = {
  readonly letters: string
  readonly family: Family
  readonly weight: number
  /** The ground that was chosen, then those that take its place in turn where the mark cannot be told from it. */
  readonly grounds: readonly [IconGround, ...IconGround[]]
  readonly form: IconForm
}

/** Words too small to give an initial. Common practice, no source. */
const SMALL = /^(?:and|the|of|for|at|in|on|by|to|a|an|&|\+|ltd|limited|llp|co)\.?$/i

/** One or two initials of a business's name: of its first two words that matter. */
export function initials(name: string): string {
  const words = name
    .trim()
    .split(/\s+/)
    .filter((word) => /[\p{L}\p{N}]/u.test(word))
  const main = words.filter((word) => !SMALL.test(word))
  return (main.length > 0 ? main : words)
    .slice(0, 2)
    .map((word) => (/[\p{L}\p{N}]/u.exec(word)?.[0] ?? '').toUpperCase())
    .join('')
}

const GROUNDS = ['ink', 'paper', 'accent'] as const

/** How a site's icon is to be drawn: as was chosen, else from the logo's mark, else its initials on its ink. */
export function planIcon(site: Site): IconPlan {
  const { brand } = site.document
  const { from, ground = 'ink', form = 'soft', letters } = brand.icon ?? { from: 'mark' }
  const scheme = siteScheme(site, false)
  const groundOf = (tone: (typeof GROUNDS)[number]): IconGround => ({
    ground: scheme[tone].surface,
    ink: scheme[tone].text,
    mark: from === 'mark' ? (logoOn(site, tone, false)?.id ?? null) : null,
  })
  const family = siteFamilies(site).display
  return {
    letters: fitWords(letters ?? '').trim() || initials(shownFact(site, 'name').text) || '•',
    family,
    weight: 700,
    grounds: [groundOf(ground), ...GROUNDS.filter((other) => other !== ground).map(groundOf)],
    form,
  }
}
