import { own } from '../../core/own'
import { pageFile, pagePath } from '../../core/pages'
import { readSitemapDays, renderSitemap, type Manifest } from '../../core/release'
import type { Page, SiteDocument } from '../../core/site'
import { keepBlob, readBlob } from '../files/blobs'
import type { Built } from './build-release'

/** The file that the map of a site is published as. */
const MAP_FILE = 'sitemap.xml'

/** The files of a site and its map: a page that is live as it is keeps the day that the map there says of it, others have today. */
export function withSiteMap(
  { manifest: files, picturesOn }: Built,
  document: SiteDocument,
  origin: string,
  today: string,
  live: { readonly manifest: Manifest; readonly origin: string } | null,
): Manifest {
  const there = live?.manifest ?? {}
  const map = own(there, MAP_FILE)
  const days = live ? readSitemapDays(String((map && readBlob(map.hash)) ?? ''), live.origin) : new Map<string, string>()
  const dayOf = (page: Page): string => {
    const file = pageFile(document, page)
    const isSame = own(files, file)?.hash === own(there, file)?.hash
    return (isSame ? days.get(pagePath(document, page)) : undefined) ?? today
  }
  return { ...files, [MAP_FILE]: keepBlob(renderSitemap(document, origin, dayOf, ({ id }) => own(picturesOn, id) ?? [])) }
}
