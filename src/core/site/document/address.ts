import { memoBy } from '../../memo'
import { lineOf, pagesOf, type SiteDocument } from './document'
import type { Page } from './page'

type Plan = Pick<SiteDocument, 'pages' | 'plan'>

/** A page's address without the slashes at its ends: `services/boilers`; nothing for home, which gives those under it no part either. */
export function addressOf(document: Plan, page: Page): string {
  const home = pagesOf(document)[0]?.id
  const line = document.plan.flat ? [page] : lineOf(document, page)
  return line
    .filter(({ id }) => id !== home)
    .map(({ segment }) => segment)
    .join('/')
}

/** The address of every page, by its id. */
export const addressesOf = memoBy(
  ({ pages, plan }: Plan) => [pages, plan.flat ?? false],
  (document): ReadonlyMap<string, string> => new Map(pagesOf(document).map((page) => [page.id, addressOf(document, page)])),
)
