import type { Brand } from '../site'
import type { Family } from '../type'
import { logoOn } from '../fill'
import { shownFact } from '../fill'
import { siteFamilies } from './site-type'
import type { Site } from '../fill'
import { siteScheme } from '../fill'

export type IconForm = NonNullable<Brand['icon']>['form']
/** What a site's small picture is drawn from: letters in the site's own type, or the mark of a logo; colours as six-digit hex. */
export type IconPlan = {
  readonly letters: string
  /** Asset id of the logo whose mark is shown; letters stand in where it has none. */
  readonly mark: string | null
  readonly family: Family
  readonly weight: number
  readonly ground: string
  readonly ink: string
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

/** How a site's icon is to be drawn: as was chosen, else from the logo's mark, else its initials on its ink. */
export function planIcon(site: Site): IconPlan {
  const { brand } = site.document
  const { from, ground = 'ink', form = 'soft', letters } = brand.icon ?? { from: 'mark' }
  const tone = siteScheme(site, false)[ground]
  const family = siteFamilies(site).display
  return {
    letters: letters ?? (initials(shownFact(site, 'name').text) || '•'),
    mark: from === 'mark' ? (logoOn(site, ground, false)?.id ?? null) : null,
    family,
    weight: 700,
    ground: tone.surface,
    ink: tone.text,
    form,
  }
}
