import { pagePath } from '../pages'
import { escapeText } from '../render'
import { pagesApart, type Page, type SiteDocument } from '../site'

/** sitemap.xml after sitemaps.org/protocol.html: an entry for each page, with its full address and the day it changed last. */
export function renderSitemap(document: SiteDocument, origin: string, dayOf: (page: Page) => string): string {
  const urls = pagesApart(document).map((page) => {
    const loc = escapeText(origin + pagePath(document, page))
    return `  <url><loc>${loc}</loc><lastmod>${dayOf(page)}</lastmod></url>`
  })
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n<urlset ' +
    `xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${urls.join('\n')}\n</urlset>\n`
  )
}

/** The day that a map of ours says of each page, by its path. */
export function readSitemapDays(xml: string): ReadonlyMap<string, string> {
  const entries = xml.matchAll(/<loc>https?:\/\/[^/<]+(\/[^<]*)<\/loc><lastmod>(\d{4}-\d{2}-\d{2})</g)
  return new Map([...entries].map(([, path = '', day = '']) => [path.replaceAll('&amp;', '&'), day]))
}

/** robots.txt (RFC 9309): everything may be read, and here is the map. */
export function renderRobots(origin: string): string {
  return `User-agent: *\nAllow: /\n\nSitemap: ${origin}/sitemap.xml\n`
}
