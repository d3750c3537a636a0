import { own } from '../../own'
import {
  addressesOf,
  addressOf,
  findPage,
  isHidden,
  lineOf,
  MAX_LEVELS,
  pagesOf,
  placeOfPage,
  withRecord,
  type Page,
  type SiteDocument,
} from '../document'
import { refused, type StepApplied, type EditStep } from './step-type'

/**
 * Addresses right under the root at which no page can stand: `/404` and `/index` find the release's own 404.html and index.html where a
 * server leaves endings away; the others are what web servers answer themselves. Common practice, no source.
 */
const RESERVED: ReadonlySet<string> = new Set(['404', 'index', 'cgi-bin', 'icons', 'server-status'])

/**
 * What holds of the pages together, asked once a whole edit is made: there is one, none stands under itself or too deep, visitors see the
 * home page, and no two share an address. A page that has just come or stands elsewhere now, and a home page that no longer is, get the
 * next free address; one that was asked for by name and is taken is refused.
 */
export function settlePages(before: SiteDocument, document: SiteDocument): StepApplied {
  if (document.pages === before.pages && document.plan === before.plan) return { ok: true, document, inverse: [] }
  const pages = pagesOf(document)
  const [home] = pages
  if (home === undefined && Object.keys(document.pages).length === 0) return refused({ code: 'lastPage' })
  if (home === undefined || pages.length < Object.keys(document.pages).length) return refused({ code: 'pageInItself' })
  if (pages.some((page) => page.in.type === 'page' && lineOf(document, page).length > MAX_LEVELS)) return refused({ code: 'tooDeep' })
  if (isHidden(document, home)) return refused({ code: 'homeHidden' })
  return settleAddresses(before, document, pages)
}

function settleAddresses(before: SiteDocument, document: SiteDocument, pages: readonly Page[]): StepApplied {
  const [was, is] = [addressesOf(before), addressesOf(document)]
  const others = pages.slice(1)
  const stays = new Set(others.filter(({ id }) => was.get(id) === is.get(id)))
  const taken = new Set([...stays].map(({ id }) => is.get(id)))
  const seen = new Set<string>()
  let settled = document
  const inverse: EditStep[] = []
  for (const page of others) {
    const { segment } = page
    const addressWith = (name: string): string => addressOf(settled, { ...page, segment: name })
    const isTaken = (name: string): boolean => {
      const address = addressWith(name)
      return name === '' || seen.has(address) || (!stays.has(page) && (taken.has(address) || RESERVED.has(address)))
    }
    if (isTaken(segment)) {
      const isAskedFor = segment !== '' && (own(before.pages, page.id)?.segment ?? segment) !== segment
      if (isAskedFor) return refused({ code: RESERVED.has(addressWith(segment)) ? 'addressReserved' : 'addressTaken', segment })
      const free = firstFree(segment || 'page', isTaken)
      settled = { ...settled, pages: withRecord(settled.pages, { ...page, segment: free }, placeOfPage) }
      inverse.unshift({ type: 'page/set', page: page.id, part: 'segment', value: segment })
    }
    seen.add(addressOf(settled, findPage(settled, page.id) ?? page))
  }
  return { ok: true, document: settled, inverse }
}

/** `about`, else `about-2`, `about-3`… */
export function firstFree(name: string, isTaken: (name: string) => boolean): string {
  for (let n = 1; ; n++) {
    const tried = n === 1 ? name : `${name}-${n}`
    if (!isTaken(tried)) return tried
  }
}
