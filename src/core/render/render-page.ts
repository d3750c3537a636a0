import { pictureVariants, type AssetInfo, type PictureVariant } from '../image'
import { isHome, pagePath } from '../pages'
import { factsOf, fitWords, isVerificationFile, siteLanguage, type Page } from '../site'
import {
  fillPage,
  fillSection,
  findPicture,
  ownWord,
  pageSections,
  pageTexts,
  printed,
  scopeOf,
  siteDirection,
  siteScheme,
  type FilledPicture,
  type FilledSection,
  type Site,
} from '../fill'
import { bodyHtml } from './body-html'
import { attribute, escapeJsonScript, escapeText } from './html/escape'
import { sharedHtml } from './html/shared-html'
import { sectionHtml } from './html/to-html'
import { pagePolicy, type PageRules } from './page-policy'
import { scriptsOf } from './page-scripts'
import { fileUrl, openPage, pictureUrl, type PageWriter } from './page-writer'
import { businessData, pageData } from './structured-data'

/** The file that the business's contact card is published as. */
export const CARD_FILE = 'contact.vcf'

/** What a release knows beyond the site: its public origin and the files that pages link to. */
export type ReleaseFiles = {
  readonly origin: string
  readonly stylesheet: string
  /** The rules of a page that are short enough to stand in it; where there are none it links to the style sheet. */
  readonly rulesOf?: (page: Page | null) => PageRules | null
  readonly preloads: readonly string[]
  readonly icons: { readonly svg: string; readonly ico: string; readonly touch: string; readonly manifest: string }
}

export type RenderedPage = { readonly html: string; readonly pictures: ReadonlyMap<string, PictureVariant> }

/** A page as it is shown, all but its head, which names files that are made of what pages show: their fonts, and their rules. */
export type BegunPage = { readonly html: string; readonly finish: (files: ReleaseFiles) => RenderedPage }

/** Begins one page of a release. A null page is the one for addresses that lead nowhere. */
export function beginPage(site: Site, page: Page | null): BegunPage {
  const writer = openPage(site, page)
  const body = writeBody(writer)
  const around = (head: string): string => `<!doctype html>
<html${languageAttributes(site)}>
<head>
${head}
</head>
<body>
${body.html}
</body>
</html>
`
  return {
    html: around(''),
    finish: (files) => ({ html: around(renderHead(writer, files, body.card)), pictures: writer.pictures }),
  }
}

/** One page of a release, whole. */
export function renderPage(site: Site, page: Page | null, files: ReleaseFiles): RenderedPage {
  return beginPage(site, page).finish(files)
}

/** The language of a page, and its direction where it is not the usual one. */
export function languageAttributes({ document }: Site): string {
  return attribute('lang', siteLanguage(document)) + (siteDirection(document) === 'rtl' ? ' dir="rtl"' : '')
}

/** Everything between the body tags. */
export function renderBody(site: Site, page: Page | null): string {
  return writeBody(openPage(site, page)).html
}

/** What a page shows, with the first picture that its own sections show. What stands on every page is written once for many. */
function writeBody(writer: PageWriter): { readonly html: string; readonly card: FilledPicture | null } {
  const { site } = writer
  const scope = scopeOf(site, writer.page)
  const parts = pageSections(site, scope.page)
  const own = new Map([...parts.head, ...parts.main].map((section) => [section, fillSection(scope, section)]))
  const body = bodyHtml(parts, (section) => {
    const filled = own.get(section)
    return filled ? sectionHtml(writer, filled) : sharedHtml(writer, scope, section)
  }).trimEnd()
  const scripts = site.mode === 'release' ? scriptsOf(writer.uses).map(({ code }) => `\n<script>${code}</script>`) : []
  const html = `<a class="skip" href="#main">${escapeText(ownWord(site.document, 'skip'))}</a>
${body}${scripts.join('')}`
  return { html, card: findCardPicture([...own.values()]) }
}

function renderHead(writer: PageWriter, files: ReleaseFiles, card: FilledPicture | null): string {
  const { site, page } = writer
  const texts = page
    ? printedTexts(site, page, new URL(files.origin).host)
    : { title: ownWord(site.document, 'page-not-found'), description: '' }
  const meta = (name: string, content: string): string => `<meta${attribute('name', name)}${attribute('content', content)}>`
  const rules = files.rulesOf?.(page) ?? null
  const hasCard = page !== null && isHome(site.document, page) && factsOf(site.document).name !== undefined
  const lines = [
    '<meta charset="utf-8">',
    `<meta http-equiv="Content-Security-Policy"${attribute('content', pagePolicy(writer.uses, rules))}>`,
    meta('viewport', 'width=device-width, initial-scale=1'),
    `<title>${escapeText(texts.title)}</title>`,
    ...(texts.description ? [meta('description', texts.description)] : []),
    ...(page && !page.unfound ? [] : [meta('robots', 'noindex')]),
    ...(page ? renderSharing(writer, page, files, texts, card) : []),
    ...(page && isHome(site.document, page) ? verificationTags(site).map(([name, content]) => meta(name, content)) : []),
    ...(hasCard
      ? [
          `<link rel="alternate" type="text/vcard"${attribute('href', fileUrl(writer, CARD_FILE))}` +
            `${attribute('title', ownWord(site.document, 'contact-card'))}>`,
        ]
      : []),
    ...themeColours(site),
    ...files.preloads.map((f) => `<link rel="preload"${attribute('href', fileUrl(writer, f))} as="font" type="font/woff2" crossorigin>`),
    rules ? `<style>${rules.css}</style>` : `<link rel="stylesheet"${attribute('href', fileUrl(writer, files.stylesheet))}>`,
    `<link rel="icon"${attribute('href', fileUrl(writer, files.icons.ico))} sizes="32x32">`,
    `<link rel="icon"${attribute('href', fileUrl(writer, files.icons.svg))} type="image/svg+xml">`,
    `<link rel="apple-touch-icon"${attribute('href', fileUrl(writer, files.icons.touch))}>`,
    `<link rel="manifest"${attribute('href', fileUrl(writer, files.icons.manifest))}>`,
  ]
  return lines.join('\n')
}

/** Title and description as they are printed. A page is called something (HTML, 4.2.2): where nothing can be said, by its address. */
function printedTexts({ document, pack }: Site, page: Page, host: string): { readonly title: string; readonly description: string } {
  const { title, description } = pageTexts(pack, document, page)
  return { title: fitWords(printed(document, title)).trim() || host, description: printed(document, description) }
}

/** What shows services whose site this is, in the head of the home page. */
function verificationTags({ document }: Site): readonly (readonly [name: string, content: string])[] {
  return Object.entries(document.verifications).filter(([name]) => !isVerificationFile(name))
}

/** The colour that a browser gives its own frame around the page. */
function themeColours(site: Site): string[] {
  const meta = (colour: string, media = ''): string => `<meta name="theme-color"${attribute('content', colour)}${media}>`
  if (site.document.dress.dark !== 'visitor') return [meta(siteScheme(site).paper.surface)]
  return (['light', 'dark'] as const).map((form) =>
    meta(siteScheme(site, form === 'dark').paper.surface, ` media="(prefers-color-scheme: ${form})"`),
  )
}

/** Canonical address, the card shown when the page is shared (ogp.me), the page as data, and on the home page the business. */
function renderSharing(
  writer: PageWriter,
  page: Page,
  files: ReleaseFiles,
  texts: { title: string; description: string },
  card: FilledPicture | null,
): string[] {
  const { document } = writer.site
  const { name } = factsOf(document)
  const url = files.origin + pagePath(document, page)
  const picture = card ? cardUrl(writer, files.origin, card) : null
  const property = (key: string, content: string): string => `<meta${attribute('property', key)}${attribute('content', content)}>`
  const size = [
    property('og:image:width', '1200'),
    property('og:image:height', '630'),
    '<meta name="twitter:card" content="summary_large_image">',
  ]
  return [
    `<link rel="canonical"${attribute('href', url)}>`,
    property('og:type', 'website'),
    property('og:url', url),
    property('og:title', texts.title),
    property('og:description', texts.description),
    ...(name ? [property('og:site_name', name)] : []),
    ...(picture ? [property('og:image', picture), ...size] : []),
    ...(isHome(document, page) ? [dataScript(businessData(writer.site, files.origin, picture))] : []),
    dataScript(pageData(writer.site, page, files.origin)),
  ]
}

function dataScript(data: Record<string, unknown>): string {
  return `<script type="application/ld+json">${escapeJsonScript(data)}</script>`
}

/** The first picture a visitor sees on a page, for the card that others show when they share it. */
function findCardPicture(sections: readonly FilledSection[]): FilledPicture | null {
  for (const { root } of sections) {
    const found = findPicture(root, ({ asset }) => !asset.vector)
    if (found) return found
  }
  return null
}

/** The frame of the picture that goes with a shared page. */
export const CARD_RATIO = '40:21'

/** What others tell of a page: its title and description as they are printed, and the picture on its card; null where it shows none. */
export function toldOfPage(
  site: Site,
  page: Page,
  host: string,
): { readonly title: string; readonly description: string; readonly picture: FilledPicture | null } {
  const { head, main } = fillPage(site, page)
  return { ...printedTexts(site, page, host), picture: findCardPicture([...head, ...main]) }
}

/** The card's picture is a file of the release like any other. */
function cardUrl(writer: PageWriter, origin: string, { asset, focus }: { asset: AssetInfo; focus: FilledPicture['focus'] }): string {
  // 1200 × 630: the size sharing services ask for. Common practice, no source.
  const variant: PictureVariant = { ...pictureVariants(asset, CARD_RATIO, focus).fallback, width: 1200, height: 630, format: 'jpg' }
  pictureUrl(writer, asset, variant)
  const path = [...writer.pictures.keys()].find((p) => writer.pictures.get(p) === variant) ?? ''
  return `${origin}/${path}`
}
