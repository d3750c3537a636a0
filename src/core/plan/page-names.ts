import { pageTexts } from '../fill'
import { toSegment } from '../pages'
import { homePage, pagesOf, type EditStep, type Page, type PageId, type SiteDocument } from '../site'
import type { Pack } from '../pack'

/** Why a page cannot be called so, with a name that is free. */
export type NameProblem = { readonly code: 'nameTaken'; readonly by: Page; readonly suggestion: string } | { readonly code: 'nameEmpty' }

const folded = (name: string): string => name.normalize('NFKC').trim().replaceAll(/\s+/g, ' ').toLocaleLowerCase()

/** Whether another page of the site goes by a name already, however it is written. */
export function nameProblem(pack: Pack, document: SiteDocument, name: string, except: Page | null = null): NameProblem | null {
  if (name.trim() === '') return { code: 'nameEmpty' }
  const names = new Map(pagesOf(document).map((page) => [folded(pageTexts(pack, document, page).name), page]))
  const isTaken = (tried: string): Page | null => {
    const by = names.get(folded(tried))
    return by && by.id !== except?.id ? by : null
  }
  const by = isTaken(name)
  if (!by) return null
  for (let n = 2; ; n++) if (!isTaken(`${name.trim()} ${n}`)) return { code: 'nameTaken', by, suggestion: `${name.trim()} ${n}` }
}

/** The steps that call a page otherwise. As long as visitors have not seen its address, that follows the name where it was made of it. */
export function renamePage(pack: Pack, document: SiteDocument, page: Page, name: string, isPublished: boolean): readonly EditStep[] {
  const before = pageTexts(pack, document, page).name
  const segment = toSegment(name)
  const follows =
    !isPublished && page.id !== homePage(document).id && segment !== '' && (!page.addressed || page.segment.startsWith(toSegment(before)))
  return [
    { type: 'page/set', page: page.id, part: 'name', value: name.trim() },
    ...(follows ? addressSteps(document, page.id, segment) : []),
  ]
}

/** A page's address given by hand, or, where it is taken beside it, the next that is free. */
export function addressSteps(document: SiteDocument, page: PageId, segment: string): readonly EditStep[] {
  const taken = new Set(pagesOf(document).flatMap((one) => (one.id === page ? [] : [one.segment])))
  let free = segment
  for (let n = 2; taken.has(free); n++) free = `${segment}-${n}`
  return [
    { type: 'page/set', page, part: 'segment', value: free },
    { type: 'page/set', page, part: 'addressed', value: true },
  ]
}
