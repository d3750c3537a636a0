import { pageTexts } from '../fill'
import type { Pack } from '../pack'
import { toSegment } from '../pages'
import {
  homePage,
  lineOf,
  pagesIn,
  parentOf,
  rankBetween,
  toEdit,
  type Edit,
  type EditStep,
  type Page,
  type PageIn,
  type SiteDocument,
} from '../site'
import { addressSteps } from './page-names'

/** Where a page is put beside another: before or after it, or as the last under it. */
export type Beside = 'before' | 'after' | 'under'
export const STEPS = ['up', 'down', 'in', 'out'] as const
export type Step = (typeof STEPS)[number]

/** The step that puts a page beside another; null where that is itself, or would be before home, whose place nobody takes by moving. */
export function placePage(document: SiteDocument, page: Page, beside: Beside, other: Page): EditStep | null {
  const home = homePage(document)
  if (page === other || page === home || (beside === 'before' && other === home)) return null
  if (lineOf(document, other).includes(page)) return null
  const where: PageIn = beside === 'under' ? { type: 'page', page: other.id } : other.in
  const there = pagesIn(document, where).filter((one) => one !== page)
  const at = beside === 'under' ? there.length : there.indexOf(other) + (beside === 'after' ? 1 : 0)
  return { type: 'page/move', page: page.id, in: where, rank: rankBetween(there[at - 1]?.rank ?? null, there[at]?.rank ?? null) }
}

/** One step in the tree by a key: before or after its neighbour, under the one before it, or out to stand after what it stood under. */
export function stepPage(document: SiteDocument, page: Page, step: Step): EditStep | null {
  const siblings = pagesIn(document, page.in)
  const at = siblings.indexOf(page)
  const [before, after] = [siblings[at - 1], siblings[at + 1]]
  switch (step) {
    case 'up':
      return before ? placePage(document, page, 'before', before) : null
    case 'down':
      return after ? placePage(document, page, 'after', after) : null
    case 'in':
      return before ? placePage(document, page, 'under', before) : null
    case 'out': {
      const parent = parentOf(document, page)
      return parent ? placePage(document, page, 'after', parent) : null
    }
    default:
      return step satisfies never
  }
}

/** Makes a page the home page: it and the one that was take each other's place; the one that was gets an address of its name. */
export function makeHome(pack: Pack, document: SiteDocument, page: Page): Edit | null {
  const home = homePage(document)
  if (page === home) return null
  const top = pagesIn(document, { type: 'site' })
  const first: EditStep = { type: 'page/move', page: page.id, in: { type: 'site' }, rank: rankBetween(null, top[0]?.rank ?? null) }
  const then: EditStep = { type: 'page/move', page: home.id, in: page.in, rank: page.rank }
  // What stood under the new home page goes on standing under it; home does not go under what stands under itself.
  const isUnderHome = lineOf(document, page).includes(home)
  const named = home.segment === '' ? addressSteps(document, home.id, toSegment(pageTexts(pack, document, home).name) || 'start') : []
  return toEdit([...(page.hidden ? [shown(page)] : []), first, ...(isUnderHome ? [] : [then]), ...named])
}

function shown(page: Page): EditStep {
  return { type: 'page/set', page: page.id, part: 'hidden', value: false }
}
