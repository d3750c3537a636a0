import {
  differences,
  findPage,
  findSection,
  homePage,
  isHidden,
  pageOfSection,
  pagesOf,
  type EditStep,
  type PageId,
  type SiteDocument,
} from '../site'

/** The pages that are not as they were in an earlier state: all of them where something differs that every page shows. */
export function pagesDiffering(was: SiteDocument, now: SiteDocument): ReadonlySet<PageId> {
  const found = new Set<PageId>()
  for (const step of differences(was, now)) {
    const at = pageOfStep(step, was, now)
    if (at === 'every') return new Set([...pagesOf(now), ...pagesOf(was)].map(({ id }) => id))
    if (at !== null) found.add(at)
  }
  return found
}

/** The pages that differ by what stands on them alone, whatever every page shows; those that nobody sees, then or now, are none of them. */
export function pagesWithOwnDifferences(was: SiteDocument, now: SiteDocument): ReadonlySet<PageId> {
  const isSeen = (document: SiteDocument, id: PageId): boolean => {
    const page = findPage(document, id)
    return page !== null && !isHidden(document, page)
  }
  const found = differences(was, now).flatMap((step): readonly PageId[] => {
    const at = step.type === 'verification/set' ? null : pageOfStep(step, was, now)
    return at === null || at === 'every' ? [] : [at]
  })
  return new Set(found.filter((id) => isSeen(was, id) || isSeen(now, id)))
}

/** The page that a difference shows on; null where it shows nowhere. */
function pageOfStep(step: EditStep, was: SiteDocument, now: SiteDocument): PageId | 'every' | null {
  switch (step.type) {
    case 'slot/set':
    case 'section/remove':
    case 'section/move':
    case 'section/set':
    case 'entry/insert':
    case 'entry/remove':
    case 'entry/move':
    case 'entry/set':
      return pageOf(now, step.section) ?? pageOf(was, step.section)
    case 'section/insert':
      return pageOf(now, step.section.id)
    case 'page/insert':
      return step.page.id
    case 'page/remove':
    case 'page/set':
      return findPage(now, step.page)?.id ?? findPage(was, step.page)?.id ?? null
    // Where a page stands in the tree is in every page's menu.
    case 'page/move':
    case 'signpost/set':
    case 'fact/set':
    case 'label/set':
    case 'brand/set':
    case 'dress/set':
      return 'every'
    case 'verification/set':
      return homePage(now).id
    case 'plan/set':
    case 'redirect/set':
    case 'as-is/set':
    case 'collection/set':
    case 'outfit/set':
      return null
    default:
      return step satisfies never
  }
}

function pageOf(document: SiteDocument, section: Parameters<typeof findSection>[1]): PageId | 'every' | null {
  if (!findSection(document, section)) return null
  return pageOfSection(document, section)?.id ?? 'every'
}
