import { pagePath } from '../pages'
import { escapeText } from '../render'
import { pagesApart, type SiteDocument } from '../site'

/** sitemap.xml after sitemaps.org/protocol.html: one entry a page, with full addresses. */
export function renderSitemap(document: SiteDocument, origin: string): string {
  const urls = pagesApart(document).map((page) => `  <url><loc>${escapeText(origin + pagePath(document, page))}</loc></url>`)
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n<urlset ' +
    `xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">\n${urls.join('\n')}\n</urlset>\n`
  )
}

/** robots.txt (RFC 9309): everything may be read, and here is the map. */
export function renderRobots(origin: string): string {
  return `User-agent: *\nAllow: /\n\nSitemap: ${origin}/sitemap.xml\n`
}
