import { NOT_FOUND, pageTexts } from '../pack'
import { homePage, pagePath, type Page, type PageId, type Section, type SectionId } from '../site'
import { attribute, escapeJsonScript, escapeText } from './escape'
import { renderSection } from './render-section'
import { businessData } from './structured-data'
import { fileUrl, findCardPicture, openPage, pictureUrl, templateOf, type PageScope, type Site } from './site'
import type { PictureVariant } from '../image'
import { siteScheme } from './styles'

/** The file that the business's contact card is published as. */
export const CARD_FILE = 'contact.vcf'

/** What a release knows beyond the site: its public origin and the files that pages link to. */
export type ReleaseFiles = {
  readonly origin: string
  readonly stylesheet: string
  readonly preloads: readonly string[]
  readonly icons: { readonly svg: string; readonly ico: string; readonly touch: string; readonly manifest: string }
}

export type RenderedPage = { readonly html: string; readonly pictures: ReadonlyMap<string, PictureVariant> }

/** One page of a release, whole. A null page is the one for addresses that lead nowhere. */
export function renderPage(site: Site, page: Page | null, files: ReleaseFiles): RenderedPage {
  const scope = openPage(site, page)
  const body = renderBody(scope)
  const html = `<!doctype html>
<html${attribute('lang', site.document.language)}>
<head>
${renderHead(scope, files)}
</head>
<body>
${body}
</body>
</html>
`
  return { html, pictures: scope.pictures }
}

/** Everything between the body tags. */
export function renderBody(scope: PageScope): string {
  const { document } = scope.site
  const sections = scope.page?.sections ?? [notFoundSection(scope.site)]
  return `<a class="skip" href="#main">Skip to content</a>
${renderSection(scope, document.header)}
<main id="main">
${sections.map((s) => renderSection(scope, s)).join('\n')}
</main>
${renderSection(scope, document.footer)}`
}

/** The page for addresses that lead nowhere, as a page that a sheet can show. */
export function notFoundPage(site: Site): Page {
  return { id: NOT_FOUND as PageId, from: null, segment: 'not-found', menu: 'none', sections: [notFoundSection(site)] }
}

function notFoundSection(site: Site): Section {
  const { key, kind, design, tone } = templateOf(site).notFound
  return { id: NOT_FOUND as SectionId, kind, design, tone, from: key, slots: {} }
}

function renderHead(scope: PageScope, files: ReleaseFiles): string {
  const { site, page } = scope
  const texts = page ? pageTexts(site.pack, site.document, page) : { title: 'Page not found', description: '' }
  const meta = (name: string, content: string): string => `<meta${attribute('name', name)}${attribute('content', content)}>`
  const lines = [
    '<meta charset="utf-8">',
    meta('viewport', 'width=device-width, initial-scale=1'),
    `<title>${escapeText(texts.title)}</title>`,
    ...(texts.description ? [meta('description', texts.description)] : []),
    ...(page ? renderSharing(scope, page, files, texts) : [meta('robots', 'noindex')]),
    ...(page && page === homePage(site.document) && site.document.facts.name ? [`<link rel="alternate" type="text/vcard"${attribute('href', fileUrl(scope, CARD_FILE))} title="Contact card">`] : []),
    ...themeColours(site),
    ...files.preloads.map((f) => `<link rel="preload"${attribute('href', fileUrl(scope, f))} as="font" type="font/woff2" crossorigin>`),
    `<link rel="stylesheet"${attribute('href', fileUrl(scope, files.stylesheet))}>`,
    `<link rel="icon"${attribute('href', fileUrl(scope, files.icons.ico))} sizes="32x32">`,
    `<link rel="icon"${attribute('href', fileUrl(scope, files.icons.svg))} type="image/svg+xml">`,
    `<link rel="apple-touch-icon"${attribute('href', fileUrl(scope, files.icons.touch))}>`,
    `<link rel="manifest"${attribute('href', fileUrl(scope, files.icons.manifest))}>`,
  ]
  return lines.join('\n')
}

/** The colour that a browser gives its own frame around the page. */
function themeColours(site: Site): string[] {
  const meta = (colour: string, media = ''): string => `<meta name="theme-color"${attribute('content', colour)}${media}>`
  const { dark } = site.document
  if (dark !== 'visitor') return [meta(siteScheme(site).paper.surface)]
  return (['light', 'dark'] as const).map((form) => meta(siteScheme(site, form === 'dark').paper.surface, ` media="(prefers-color-scheme: ${form})"`))
}

/** Canonical address, the card shown when the page is shared (ogp.me), and on the home page the business as data. */
function renderSharing(scope: PageScope, page: Page, files: ReleaseFiles, texts: { title: string; description: string }): string[] {
  const { site } = scope
  const url = files.origin + pagePath(page)
  const card = findCardPicture(site, page)
  if (card) pictureUrl(scope, card.asset, card.variant)
  const path = card ? [...scope.pictures.keys()].find((p) => scope.pictures.get(p) === card.variant) : undefined
  const picture = path ? `${files.origin}/${path}` : null
  const property = (name: string, content: string): string => `<meta${attribute('property', name)}${attribute('content', content)}>`
  return [
    `<link rel="canonical"${attribute('href', url)}>`,
    property('og:type', 'website'), property('og:url', url), property('og:title', texts.title), property('og:description', texts.description),
    ...(site.document.facts.name ? [property('og:site_name', site.document.facts.name)] : []),
    ...(picture ? [property('og:image', picture), property('og:image:width', '1200'), property('og:image:height', '630'), '<meta name="twitter:card" content="summary_large_image">'] : []),
    ...(page === homePage(site.document) ? [`<script type="application/ld+json">${escapeJsonScript(businessData(site, files.origin, picture))}</script>`] : []),
  ]
}
