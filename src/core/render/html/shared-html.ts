import { fillSection, goesByClock, sectionRows, type PageScope, type Site } from '../../fill'
import { memoOf } from '../../memo'
import { findDesign, shownPlaces } from '../../pack'
import { rootFrom } from '../../pages'
import {
  findPage,
  findSection,
  lineOf,
  pageOf,
  sharedSections,
  standsOn,
  targetsIn,
  type LinkTarget,
  type Page,
  type Section,
} from '../../site'
import type { PageUse, PageWriter } from '../page-writer'
import type { PictureVariant } from '../../image'
import { sectionHtml } from './to-html'

/** A section that stands on every page, written for those that stand alike: all but which entry of its menus is the current one. */
type SharedHtml = {
  /** The HTML between the places where an entry can be marked. */
  readonly html: string
  /** By page, where its entries are marked. */
  readonly marks: ReadonlyMap<string, readonly number[]>
  readonly pictures: ReadonlyMap<string, PictureVariant>
  readonly uses: ReadonlySet<PageUse>
  /** How many pictures it has. */
  readonly written: number
}

/** By site: a release is drawn from one and the same, so what was written of it is right until the last of its pages. */
const known = new WeakMap<Site, Map<string, SharedHtml>>()

/** A section that stands on many pages, as HTML for the page in hand: filled and written once for all that stand as deep. */
export function sharedHtml(writer: PageWriter, scope: PageScope, section: Section): string {
  const { site, page } = scope
  const isOnEvery = pageOf(section.in) === null && section.in.type !== 'notFound'
  if (site.mode === 'sheet' || !isOnEvery) return sectionHtml(writer, fillSection(scope, section))
  let shared = known.get(site)
  if (!shared) known.set(site, (shared = new Map()))
  const key = `${section.id} ${standingOf(writer, scope, section)}`
  let found = shared.get(key)
  if (!found) shared.set(key, (found = write(writer, scope, section)))
  found.pictures.forEach((variant, path) => writer.pictures.set(path, variant))
  for (const use of found.uses) writer.uses.add(use)
  writer.written += found.written
  return page ? marked(found, lineOf(site.document, page), page) : found.html
}

/** All that a shared section's HTML goes by on a page, but for the marks of its menus. */
function standingOf({ written }: PageWriter, scope: PageScope, { kind, design }: Section): string {
  const { site, page } = scope
  const shown = findDesign(site.pack, kind, design)
  const byClock = shown !== null && shownPlaces(shown).facts.includes('hours') && goesByClock(scope)
  // Links to places on a page are others on that page; where all stand on one page, on each.
  const isApart = page !== null && (site.document.plan.onePage === true || aims(site).has(page.id))
  return [page === null ? 'none' : rootFrom(site.document, page), written === 0, byClock, isApart ? page.id : ''].join(' ')
}

/** The pages on which something stands that menus and shared sections lead to by its name. */
const aims = memoOf(({ document, pack }: Site): ReadonlySet<string> => {
  const shown = sharedSections(document).flatMap((section) =>
    sectionRows(pack, document, section).flatMap(({ value, placeholder }) =>
      [value, placeholder].flatMap((one) => (one ? targetsIn(one) : [])),
    ),
  )
  const targets: readonly LinkTarget[] = [...shown, ...Object.values(document.signposts).map(({ to }) => to)]
  const pages = targets.flatMap((to) => {
    const aim = to.type === 'section' ? findSection(document, to.section) : null
    const page = aim?.in.type === 'page' ? findPage(document, aim.in.page) : null
    return page ? [page.id, standsOn(document, page).id] : []
  })
  return new Set(pages)
})

const MARK = / aria-current="page:([^"]*)"/g

function write(writer: PageWriter, scope: PageScope, section: Section): SharedHtml {
  const own: PageWriter = { ...writer, pictures: new Map(), uses: new Set() }
  const filled = fillSection({ ...scope, namesAll: true }, section)
  const full = sectionHtml(own, filled)
  const marks = new Map<string, number[]>()
  let html = ''
  let at = 0
  for (const { index, 0: mark, 1: page = '' } of full.matchAll(MARK)) {
    html += full.slice(at, index)
    at = index + mark.length
    marks.set(page, [...(marks.get(page) ?? []), html.length])
  }
  return { html: html + full.slice(at), marks, pictures: own.pictures, uses: own.uses, written: own.written - writer.written }
}

/** With the entries marked of a page and of those that it stands under. */
function marked({ html, marks }: SharedHtml, line: readonly Page[], page: Page): string {
  const places = line.flatMap((one) => (marks.get(one.id) ?? []).map((at) => [at, one === page ? 'page' : 'true'] as const))
  if (places.length === 0) return html
  let out = ''
  let from = 0
  for (const [at, mark] of places.sort(([a], [b]) => a - b)) {
    out += `${html.slice(from, at)} aria-current="${mark}"`
    from = at
  }
  return out + html.slice(from)
}
