import { pagePath, pathAt } from '../pages'
import { escapeText } from '../render'
import { pagesApart, type Page, type SiteDocument } from '../site'

/**
 * sitemap.xml after sitemaps.org/protocol.html: an entry for each page that is to be found, with its full address, the day it changed last
 * and the paths of its pictures (the extension for pictures that search engines read, named by its namespace).
 */
export function renderSitemap(
  document: SiteDocument,
  origin: string,
  dayOf: (page: Page) => string,
  picturesOn: (page: Page) => readonly string[] = () => [],
): string {
  const address = (path: string): string => escapeText(origin + path)
  const urls = pagesApart(document)
    .filter(({ unfound }) => !unfound)
    .map((page) => {
      const pictures = picturesOn(page).map((path) => `<image:image><image:loc>${address(`/${path}`)}</image:loc></image:image>`)
      return `  <url><loc>${address(pagePath(document, page))}</loc><lastmod>${dayOf(page)}</lastmod>${pictures.join('')}</url>`
    })
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" ' +
    `xmlns:image="http://www.google.com/schemas/sitemap-image/1.1">\n${urls.join('\n')}\n</urlset>\n`
  )
}

/** The day that a map of ours, made for an origin, says of each page, by its path on the site. */
export function readSitemapDays(xml: string, origin: string): ReadonlyMap<string, string> {
  const entries = xml.matchAll(/<loc>([^<]+)<\/loc><lastmod>(\d{4}-\d{2}-\d{2})</g)
  return new Map(
    [...entries].flatMap(([, url = '', day = '']) => {
      const path = pathAt(origin, url.replaceAll('&amp;', '&'))
      return path === null ? [] : [[path, day]]
    }),
  )
}

/** robots.txt (RFC 9309): everything may be read, and here is the map. */
export function renderRobots(origin: string): string {
  return `User-agent: *\nAllow: /\n\nSitemap: ${origin}/sitemap.xml\n`
}
