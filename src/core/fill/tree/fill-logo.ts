import { own } from '../../own'
import { isDark } from '../../colour'
import type { AssetInfo } from '../../image'
import type { DesignElement } from '../../pack'
import { relativePath } from '../../pages'
import { homePage, type Section, type Tone } from '../../site'
import { shownFact } from '../shown-fact'
import { siteScheme } from '../site-scheme'
import type { Site } from '../site'
import { direction, together, wordsOn } from './direction'
import { longName } from './long'
import { factMark } from './marks'
import type { PageScope } from './page-scope'
import { plain, type FilledElement } from './tree'

/** The logo for a surface: the version for dark ones where it is dark and there is one. */
export function logoOn(site: Site, tone: Tone, dark: boolean): AssetInfo | undefined {
  const { brand } = site.document
  const onDark = brand['logo-on-dark']
  const id = onDark !== undefined && isDark(siteScheme(site, dark)[tone].surface) ? onDark : brand.logo
  return id === undefined ? undefined : own(site.assets, id)
}

/** A logo where a design has one, or the name in its place; as a link it leads home. */
export function fillLogo(scope: PageScope, element: DesignElement, section: Section): FilledElement {
  const { document } = scope.site
  const href = element.tag === 'a' ? { href: relativePath(document, scope.page, homePage(document), scope.site.root) } : null
  const logo = logoOn(scope.site, section.tone, document.dress.dark === true)
  if (!logo) return fillName(scope, element, href)
  const other = document.dress.dark === 'visitor' ? logoOn(scope.site, section.tone, true) : undefined
  // The link must not be wider than its place, or the picture in it has nothing to shrink to.
  const base = { ...element.attrs, class: `${element.attrs.class ?? ''} has-logo`.trim() }
  const picture: FilledElement = {
    ...plain('img', [], { alt: shownFact(scope.site, 'name').text }),
    logo: { asset: logo, onDark: other && other !== logo ? other : null },
  }
  return { type: 'element', tag: element.tag, base, extra: href, children: [picture], mark: factMark(scope.site, 'name') }
}

/** The name where a logo would stand: as it is, or as the logo that was set in type. */
function fillName(scope: PageScope, element: DesignElement, href: FilledElement['extra']): FilledElement {
  const { document } = scope.site
  const { wordmark } = document.brand
  const words = wordmark?.text ?? shownFact(scope.site, 'name').text
  const shown = wordsOn(document, words, { raw: scope.typing?.fact === 'name' })
  return {
    type: 'element',
    tag: element.tag,
    base: longName(element.attrs, words),
    extra: together(href, direction(document, words)),
    children: wordmark ? [plain('span', shown, { class: 'wordmark' })] : shown,
    mark: wordmark?.text === undefined ? factMark(scope.site, 'name') : null,
  }
}
