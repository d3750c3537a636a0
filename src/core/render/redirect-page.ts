import { pageTexts, siteDirection, type Site } from '../fill'
import { redirectTarget, type Redirect } from '../pages'
import { siteLanguage } from '../site'
import { attribute, escapeText } from './html/escape'
import { LEAD_ON_POLICY } from './page-policy'

/**
 * A page that leads on from an address where nothing stands any more, for servers that take no rules: at once, for those who read by
 * ear as well, and saying to search engines where the page stands now (HTML Standard, 4.2.5.3 refresh; RFC 6596, canonical).
 */
export function renderRedirect(site: Site, redirect: Redirect, origin: string): string | null {
  const target = redirectTarget(site.document, redirect)
  if (target === null || redirect.to === null) return null
  const { document, pack } = site
  const href = target.startsWith('/') ? toFile(redirect.from, target) : target
  const whole = target.startsWith('/') ? origin + target : target
  const title = 'page' in redirect.to ? pageTexts(pack, document, redirect.to.page).title : target
  const direction = siteDirection(document) === 'rtl' ? ' dir="rtl"' : ''
  return `<!doctype html>
<html${attribute('lang', siteLanguage(document))}${direction}>
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy"${attribute('content', LEAD_ON_POLICY)}>
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeText(title)}</title>
<link rel="canonical"${attribute('href', whole)}>
<meta name="robots" content="noindex">
<meta http-equiv="refresh"${attribute('content', `0; url=${href}`)}>
</head>
<body>
<p><a${attribute('href', href)}>${escapeText(title)}</a></p>
</body>
</html>
`
}

/** A path from the root as written on a page at another, so that the site works in any folder. */
function toFile(from: string, to: string): string {
  const deep = from.split('/').filter(Boolean).length - (/\.html?$/i.test(from) ? 1 : 0)
  return `${'../'.repeat(deep) || './'}${to.slice(1)}`
}
