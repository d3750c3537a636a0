import CSS_TARGETS from './css-targets'
import { createHash } from 'node:crypto'
import { gzipSync } from 'node:zlib'
import { transform } from 'lightningcss'
import { renderRobots, renderWebManifest, type Manifest, type ManifestEntry } from '../../core/release'
import {
  businessCard,
  CARD_FILE,
  designCss,
  designsOn,
  beginPage,
  planIcon,
  renderRedirect,
  siteFamilies,
  styleText,
  tokenCss,
  type BegunPage,
  type PageRules,
  type ReleaseFiles,
} from '../../core/render'
import {
  filePath,
  linkedFiles,
  pageFile,
  redirectFile,
  redirectsOf,
  redirectTarget,
  rootFrom,
  rootOf,
  type PublishedPath,
} from '../../core/pages'
import { isVerificationFile, pagesApart, type Page } from '../../core/site'
import { shownFact, siteScheme, type Site } from '../../core/fill'
import { fontFaceCss, fontLicences } from '../../core/type'
import type { PictureVariant } from '../../core/image'
import { siteFonts, type SiteFont } from '../media/fonts'
import { makeVariant } from '../media/variants'
import { hashOf, keepBlob } from '../files/blobs'
import { makeIcons } from './icons'

/** Told of each finished part: pictures take the time, so they are what is counted. */
export type BuildProgress = (done: number, total: number) => void

/** The files of a release but its map, and the pictures that stand on each page, by its id: of each the largest, by path. */
export type Built = { readonly manifest: Manifest; readonly picturesOn: Readonly<Record<string, readonly string[]>> }

/** Makes every file of a release but its map, and keeps it under its hash. The same site gives the same manifest, byte for byte. */
export async function buildRelease(
  site: Site,
  origin: string,
  onProgress: BuildProgress,
  published: readonly PublishedPath[] = [],
): Promise<Built> {
  const picturesOn = new Map<string, readonly string[]>()
  const manifest = new Map<string, ManifestEntry>()
  const add = (path: string, content: Buffer | string): void => {
    manifest.set(path, keepBlob(content))
  }
  const pages = [...pagesApart(site.document), null].map((page) => ({ page, begun: beginPage(site, page) }))
  const { files, sheet } = await addSharedFiles(
    site,
    origin,
    pages.map(({ begun }) => begun),
    add,
  )
  const pictures = new Map<string, PictureVariant>()
  for (const { page, begun } of pages) {
    const rendered = begun.finish(files)
    if (files.rulesOf?.(page) === null) add(files.stylesheet, sheet)
    add(page ? pageFile(site.document, page) : '404.html', rendered.html)
    rendered.pictures.forEach((variant, path) => pictures.set(path, variant))
    if (page) picturesOn.set(page.id, largestOf(rendered.pictures))
  }
  for (const file of linkedFiles(site.document)) manifest.set(filePath(file), { hash: file.hash, bytes: file.bytes })
  addRedirects(site, origin, published, (path, content, leadsTo) => {
    if (!manifest.has(path)) manifest.set(path, { ...keepBlob(content), leadsTo })
  })
  // Only at the root of a host is it read (RFC 9309, 2.3).
  if (rootOf(origin) === '/') add('robots.txt', renderRobots(origin))
  const card = businessCard(site, origin)
  if (card) add(CARD_FILE, card)
  let done = 0
  onProgress(done, pictures.size)
  await Promise.all(
    [...pictures].map(async ([path, variant]) => {
      const bytes = await makeVariant(variant)
      if (!bytes) throw new Error(`The picture ${variant.asset} is gone`)
      add(path, bytes)
      onProgress(++done, pictures.size)
    }),
  )
  for (const [name, content] of Object.entries(site.document.verifications)) if (isVerificationFile(name)) add(name, content)
  return { manifest: Object.fromEntries(manifest), picturesOn: Object.fromEntries(picturesOn) }
}

/** Of each picture on a page its largest file, in the form that every reader takes. */
function largestOf(pictures: ReadonlyMap<string, PictureVariant>): readonly string[] {
  const largest = new Map<string, { readonly path: string; readonly area: number }>()
  for (const [path, { asset, width, height, format }] of pictures) {
    const area = width * height * (format === 'webp' ? 1 : 1.5)
    if (area > (largest.get(asset)?.area ?? 0)) largest.set(asset, { path, area })
  }
  return [...largest.values()].map(({ path }) => path)
}

/**
 * A page that leads on at each address where visitors found one that stands elsewhere now, with where it leads, for destinations that do so
 * by a rule; what is a file of the release stays one.
 */
function addRedirects(
  site: Site,
  origin: string,
  published: readonly PublishedPath[],
  add: (path: string, content: string, leadsTo: string) => unknown,
): void {
  for (const redirect of redirectsOf(site.document, published, origin)) {
    const file = redirectFile(redirect.from)
    const html = renderRedirect(site, redirect, origin)
    const target = redirectTarget(site.document, redirect)
    if (file !== null && html !== null && target !== null)
      add(file, html, target.startsWith('/') ? rootOf(origin) + target.slice(1) : target)
  }
}

/** Fonts, icons, and the style sheet of pages whose rules are too long to stand in them; names carry hashes, to be cached for ever. */
async function addSharedFiles(
  site: Site,
  origin: string,
  pages: readonly BegunPage[],
  add: (path: string, content: Buffer | string) => void,
): Promise<{ readonly files: ReleaseFiles; readonly sheet: string }> {
  const named = { svg: 'favicon.svg', ico: 'favicon.ico', touch: 'apple-touch-icon.png', manifest: 'site.webmanifest' }
  const fonts = await siteFonts(
    siteFamilies(site).all,
    pages.map(({ html }) => html),
    minifyCss([tokenCss(site), designCss(site)].join('\n')),
  )
  fonts.forEach((font) => add(font.path, font.bytes))
  add('fonts/licences.txt', fontLicences(siteFamilies(site).all))
  const css = minifyCss([fontFaceCss(fonts.map((f) => f.face)), tokenCss(site), designCss(site)].join('\n'))
  const stylesheet = `style-${hashOf(css).slice(0, 8)}.css`
  const icons = await makeIcons(planIcon(site))
  const sizes = { small: 'icon-192.png', large: 'icon-512.png', maskable: 'icon-maskable-512.png' } as const
  for (const size of ['small', 'large', 'maskable'] as const) add(sizes[size], icons[size])
  add(
    named.manifest,
    renderWebManifest({ name: shownFact(site, 'name').text, ground: siteScheme(site, false).paper.surface, icons: sizes }),
  )
  add(named.svg, icons.svg)
  add(named.ico, icons.ico)
  add(named.touch, icons.touch)
  const preloads = fonts.filter((f) => f.isMain).map((f) => f.path)
  return { files: { origin, stylesheet, preloads, icons: named, rulesOf: pageRules(site, fonts) }, sheet: css }
}

/** The most compressed bytes of rules that stand in a page: with its words they come in the first ten segments (RFC 6928), 14,600 bytes. */
const MOST_RULES = 10_000

/** The rules of what each page shows, made once for pages of one depth that show the same designs; null where they are too long. */
function pageRules(site: Site, fonts: readonly SiteFont[]): (page: Page | null) => PageRules | null {
  const known = new Map<string, PageRules | null>()
  return (page) => {
    const root = rootFrom(site.document, page, site.root)
    const designs = designsOn(site, page)
    const name = `${root} ${designs.join(' ')}`
    let rules = known.get(name)
    if (rules === undefined) {
      const faces = fonts.map(({ face }) => ({ ...face, url: root + face.url }))
      const css = styleText(minifyCss([fontFaceCss(faces), tokenCss(site), designCss(site, designs)].join('\n')))
      known.set(name, (rules = gzipSync(css).length > MOST_RULES ? null : { css, sum: createHash('sha256').update(css).digest('base64') }))
    }
    return rules
  }
}

function minifyCss(css: string): string {
  return Buffer.from(transform({ filename: 'style.css', code: Buffer.from(css), minify: true, targets: CSS_TARGETS }).code).toString('utf8')
}
