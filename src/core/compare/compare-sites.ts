import { allOf, pageTexts, type Site } from '../fill'
import { listTab, wordsListed, type Listed, type ListedGroup, type Tab } from '../ledger'
import { pagePath } from '../pages'
import { sameLooks } from '../plan'
import { makeSheetPainter } from '../render'
import { homePage, isHidden, pagesOf, type Page, type PageId, type SectionId } from '../site'
import { compareWords, type WordChange } from '../wording'

/** A place that shows something else: its words, what goes and what comes among them; or another picture. */
export type PlaceCompared = {
  readonly key: string
  /** The heading that it stands under, and what it is called there. */
  readonly group: string
  readonly name: string
  readonly section: SectionId | null
  readonly words: readonly WordChange[] | null
  readonly isPicture: boolean
}
export type PageCompared = {
  readonly page: PageId
  readonly name: string
  readonly path: string
  readonly state: 'new' | 'gone' | 'changed' | 'same'
  readonly places: readonly PlaceCompared[]
  /** The sections that look otherwise, on one side or the other. */
  readonly boxed: ReadonlySet<string>
}
export type SitesCompared = {
  readonly pages: readonly PageCompared[]
  /** What all pages share: facts, labels, brand, header and footer. */
  readonly shared: readonly PlaceCompared[]
  /** Colours, type or finish are others, so that every page looks otherwise. */
  readonly isDressedAnew: boolean
}

/** Two states of a site set against each other, page by page in the order of the later one; what is gone, or hidden by now, comes last. */
export function compareSites(was: Site, now: Site): SitesCompared {
  const [before, after] = [shownPages(was), shownPages(now)]
  const [paintWas, paintNow] = [makeSheetPainter(), makeSheetPainter()]
  const compared = after.map((page): PageCompared => {
    const old = before.find(({ id }) => id === page.id)
    const boxed = old ? differing(sectionsOf(paintWas, was, old), sectionsOf(paintNow, now, page)) : new Set<string>()
    const places = old ? [...comparePlaces(was, now, page.id), ...compareHeads(was, now, old, page)] : []
    const isMoved = old !== undefined && pagePath(was.document, old) !== pagePath(now.document, page)
    const isOther = places.length > 0 || boxed.size > 0 || isMoved
    return { ...named(now, page), state: !old ? 'new' : isOther ? 'changed' : 'same', places, boxed }
  })
  const gone = before.filter(({ id }) => !after.some((page) => page.id === id))
  return {
    pages: [...compared, ...gone.map((page): PageCompared => ({ ...named(was, page), state: 'gone', places: [], boxed: new Set() }))],
    shared: comparePlaces(was, now, 'shared'),
    isDressedAnew: !sameLooks(was, now),
  }
}

function shownPages({ document }: Site): readonly Page[] {
  return pagesOf(document).filter((page) => !isHidden(document, page))
}

function named({ pack, document }: Site, page: Page): Pick<PageCompared, 'page' | 'name' | 'path'> {
  return { page: page.id, name: pageTexts(pack, document, page).name, path: pagePath(document, page) }
}

function sectionsOf(paint: ReturnType<typeof makeSheetPainter>, site: Site, page: Page): ReadonlyMap<string, string> {
  return new Map(allOf(paint(site, page)).map(({ id, html }) => [id, html]))
}

function differing(was: ReadonlyMap<string, string>, now: ReadonlyMap<string, string>): ReadonlySet<string> {
  return new Set([...was.keys(), ...now.keys()].filter((id) => was.get(id) !== now.get(id)))
}

type Placed = { readonly group: ListedGroup; readonly listed: Listed; readonly words: string; readonly picture: string | null }

function comparePlaces(was: Site, now: Site, tab: Tab): readonly PlaceCompared[] {
  const [before, after] = [placed(was, tab), placed(now, tab)]
  return [...new Map([...after, ...before]).keys()].flatMap((key) => {
    const [old, fresh] = [before.get(key), after.get(key)]
    const at = fresh ?? old
    const [wordsWas, wordsNow] = [old?.words ?? '', fresh?.words ?? '']
    const isPicture = old?.picture !== fresh?.picture && (old?.picture ?? fresh?.picture) != null
    if (!at || (wordsWas === wordsNow && !isPicture)) return []
    const { group, listed } = at
    const words = wordsWas === wordsNow ? null : compareWords(wordsWas, wordsNow)
    return [{ key, group: group.title, name: listed.name, section: group.section, words, isPicture }]
  })
}

/** What a page says in its head alone: whether it may be found, and on the home page what verifies the site. */
function compareHeads(was: Site, now: Site, old: Page, page: Page): readonly PlaceCompared[] {
  const found = ({ unfound }: Page): string => (unfound ? 'are not to find it' : 'may find it')
  const verified = ({ document }: Site, { id }: Page): string =>
    homePage(document).id === id ? Object.entries(document.verifications).flat().join(' ') : ''
  const heads = [
    ['found', 'Those who search', found(old), found(page)],
    ['verified', 'Verification', verified(was, old), verified(now, page)],
  ] as const
  return heads.flatMap(([key, name, before, after]) => {
    const words = before === after ? null : compareWords(before, after)
    return words ? [{ key, group: 'In its head', name, section: null, words, isPicture: false }] : []
  })
}

function placed({ pack, document }: Site, tab: Tab): ReadonlyMap<string, Placed> {
  return new Map(
    listTab(pack, document, tab).flatMap((group) =>
      group.listed.map((listed) => [listed.key, { group, listed, words: wordsListed(pack, document, listed), picture: pictureOf(listed) }]),
    ),
  )
}

/** What tells one picture from another: whose it is, and how it is cropped. */
function pictureOf({ row }: Listed): string | null {
  return row?.type === 'image' ? JSON.stringify(row.value ?? row.placeholder) : null
}
