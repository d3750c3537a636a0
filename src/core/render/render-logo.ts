import { isDark } from '../colour'
import { opticalSize, pictureVariants, type AssetInfo, type Size } from '../image'
import type { DesignElement } from '../pack'
import { relativePath, type Section, type SiteDocument, type Tone } from '../site'
import { factMark, RIGHT_TO_LEFT, tag } from './element'
import { attribute, escapeText } from './escape'
import { shownFact } from './shown-fact'
import { pictureUrl, type PageScope, type Site } from './site'
import { siteScheme } from './styles'

/** Logo area in square px and its largest size: about the weight of a name set at 40 px. */
const LOGO_AREA = 12_000
const LOGO_MOST = { width: 340, height: 120 }

/** The logo for a surface: the version for dark ones where it is dark and there is one. */
export function logoOn(site: Site, tone: Tone, dark: boolean): AssetInfo | undefined {
  const { brand } = site.document
  const onDark = brand['logo-on-dark']
  const id = onDark !== undefined && isDark(siteScheme(site, dark)[tone].surface) ? onDark : brand.logo
  return id === undefined ? undefined : site.assets[id]
}

/** A logo where a design has one, or the name in its place; as a link it leads home. */
export function renderLogo(scope: PageScope, element: DesignElement, section: Section): string {
  const { document, mode } = scope.site
  const home = document.pages[0]
  const href = home && element.tag === 'a' ? attribute('href', relativePath(scope.page, home)) : ''
  const logo = logoOn(scope.site, section.tone, document.dark === true)
  const name = shownFact(scope.site, 'name')
  if (!logo) return renderName(scope, element, href)
  const img = `<img class="logo"${attribute('src', logoSource(scope, logo))}${attribute('alt', name.text)}${logoSize(document, logo)}>`
  const other = document.dark === 'visitor' && mode === 'release' ? logoOn(scope.site, section.tone, true) : undefined
  const switched = other && other !== logo ? `<picture><source media="(prefers-color-scheme: dark)"${attribute('srcset', logoSource(scope, other))}>${img}</picture>` : img
  // The link must not be wider than its place, or the picture in it has nothing to shrink to.
  const holder: DesignElement = { ...element, attrs: { ...element.attrs, class: `${element.attrs.class ?? ''} has-logo`.trim() } }
  return tag(holder, href + factMark(scope, 'name'), switched)
}

/** The name where a logo would stand: as it is, or as the logo that was set in type. */
function renderName(scope: PageScope, element: DesignElement, href: string): string {
  const name = shownFact(scope.site, 'name')
  const { wordmark } = scope.site.document.brand
  const words = wordmark?.text ?? name.text
  const inner = wordmark ? `<span class="wordmark">${escapeText(words)}</span>` : escapeText(words)
  return tag(element, href + (RIGHT_TO_LEFT.test(words) ? ' dir="auto"' : '') + (wordmark?.text === undefined ? factMark(scope, 'name') : ''), inner)
}

function logoSource(scope: PageScope, logo: AssetInfo): string {
  const { width } = logoBox(scope.site.document, logo)
  const { sources, fallback } = pictureVariants(logo, null, logo.focus)
  return pictureUrl(scope, logo, sources.find((s) => s.width >= width * 2) ?? sources.at(-1) ?? fallback)
}

/** The size a logo is shown at on desktop: as large as its area weighs, times what was chosen. */
export function logoBox(document: SiteDocument, logo: Size): Size {
  const factor = document.brand['logo-size']?.desktop ?? 1
  return opticalSize(logo, LOGO_AREA * factor ** 2, { width: LOGO_MOST.width * factor, height: LOGO_MOST.height * factor })
}

function logoSize(document: SiteDocument, logo: Size): string {
  const { width, height } = logoBox(document, logo)
  const size = document.brand['logo-size']
  return ` width="${width}" height="${height}"${size && size.phone !== size.desktop ? ` style="--logo:${width}px"` : ''}`
}
