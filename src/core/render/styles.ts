import { ROLES } from '../colour'
import { allOf, pageSections, siteDirection, siteScheme, templateOf, veilOf, type Site } from '../fill'
import { designKey, findDesign } from '../pack'
import { menuOf } from '../pages'
import { allSections, COLUMN_REMS, COLUMN_WIDTHS, hasColumns, looksByName, shownSection, SIDES, TONES, type Page, type Tone } from '../site'
import { brandCss } from './brand-css'
import { cutCss } from './cut-css'
import { menuFrom, menuKey } from './menu-fit'

/**
 * The site's own few rules: custom properties of each tone that it uses, and what the brand sets over the template. In a
 * release that leaves the choice to its visitors, the dark form stands beside the light one.
 */
export function tokenCss(site: Site): string {
  return inColumns(site, rulesOf(site))
}

function rulesOf(site: Site): string {
  const { dark } = site.document.dress
  const tones = toneCss(site, dark === true)
  if (dark !== 'visitor' || site.mode === 'sheet')
    return joined([tones, dark === true ? ':root{color-scheme:dark}' : '', brandCss(site), cutCss(site), heldCss(site)])
  const byVisitor = [':root{color-scheme:light dark}', `@media (prefers-color-scheme:dark){${toneCss(site, true)}}`]
  return joined([tones, ...byVisitor, brandCss(site), cutCss(site), heldCss(site)])
}

/** Words whose lines are held are set in an element that is as wide as its place lets it be, in a size reckoned from that width. */
function heldCss({ document, mode }: Site): string {
  const isUsed = mode === 'sheet' || allSections(document).some(({ holds }) => holds !== undefined)
  return isUsed
    ? '.fitted{container-type:inline-size}.fitted>span{display:block}.fitted>*{font-size:var(--held);letter-spacing:var(--letters,normal)}'
    : ''
}

function joined(parts: readonly string[]): string {
  return parts.filter((css) => css !== '').join('\n')
}

function toneCss(site: Site, dark: boolean): string {
  const scheme = siteScheme(site, dark)
  const used = new Set<Tone>(['paper', ...looksByName(site.document).map((look) => look.tone)])
  return TONES.filter((tone) => used.has(tone))
    .map((tone) => {
      const lines = ROLES.filter((role) => role !== 'end').map((role) => `--${role}:${scheme[tone][role]}`)
      if (tone === 'picture') lines.push(`--veil:${veilOf(scheme.picture)}`)
      if (scheme[tone].end !== scheme[tone].surface)
        lines.push(`background:linear-gradient(${gradientAngle(site)}deg,${scheme[tone].surface},${scheme[tone].end})`)
      return `${tone === 'paper' ? ':root,' : ''}.tone-${tone}{${lines.join(';')}}`
    })
    .join('\n')
}

/** A gradient runs with the words: from right to left it is the mirror of its angle. */
function gradientAngle({ document }: Site): number {
  const angle = document.brand.gradient?.angle ?? 90
  return siteDirection(document) === 'rtl' ? (360 - angle) % 360 : angle
}

/** Ground rules every site shares: sizes behave, pictures keep their shape, hidden text is for readers only. */
const BASE_CSS = `:root{--margin:clamp(8rem,16vw,15rem);--columns:minmax(0,1fr);--corner:0px;--corner-small:0px;--line:1px}
@media (min-width:46rem){:root{--columns:var(--margin) minmax(0,1fr)}}
*,::before,::after{box-sizing:border-box}
html{-webkit-text-size-adjust:100%;text-size-adjust:100%;scroll-behavior:smooth}
body{margin:0;background:var(--surface);color:var(--text);font-family:var(--font-text);
  -webkit-font-smoothing:antialiased;overflow-wrap:anywhere;min-height:100vh;min-height:100dvh;display:flex;flex-direction:column}
main{flex:1 0 auto}
h1,h2,h3,h4,h5,h6{text-wrap:balance}@media (min-width:46rem){h1.divided,h2.divided{hyphens:none}}
h4{font-size:var(--step-1)}h5{font-size:var(--step-0)}h6,small{font-size:var(--step--1)}
h1,h2,h3,h4,h5,h6,p,ul,ol,dl,dd,figure,blockquote,table{margin:0;padding:0}
ul,ol{list-style:none}
.rich ol{list-style:decimal;padding-inline-start:1.5em}.rich li+li,.rich li>:is(ul,ol){margin-block-start:.3em}
.rich>:is(h2,h3){font-size:var(--step-1)}.rich>*+:is(h2,h3){margin-block-start:1.6em}.rich>:is(h2,h3)+*{margin-block-start:.4em}
.rich>blockquote{padding-inline-start:1em;border-inline-start:max(2px,var(--line)) solid var(--stripe)}
.rich>blockquote>p+p{margin-block-start:.5em}
.unseen{position:absolute;width:1px;height:1px;overflow:hidden;clip-path:inset(50%);white-space:nowrap}
[aria-current=date]{font-weight:700}
.icon{width:1.15em;height:1.15em;vertical-align:-.2em;fill:none;stroke:currentColor;stroke-width:2}
.icon{stroke-linecap:round;stroke-linejoin:round}
.icon.before{margin-inline-end:.5em}.icon.after{margin-inline-start:.5em}[dir=rtl] .icon.turns{transform:scaleX(-1)}
.words-center{text-align:center}.words-end{text-align:end}
img{display:block;max-width:100%;height:auto}
picture{display:contents}source{display:none}
.has-logo{display:inline-block;max-width:100%}
button{font:inherit;color:inherit}
figure img{border-radius:var(--picture,0px);box-shadow:var(--shadow,none)}.button{box-shadow:var(--shadow,none)}
input,select,textarea{font:inherit;color:var(--text);padding:.6em .75em;min-height:2.75rem;background:none;
  border:max(1px,var(--line)) solid var(--text);border-radius:var(--corner-small)}
[class*="tone-"]{background:var(--surface);color:var(--text)}
.veiled{--veil:var(--veil-1)}
@media (min-width:46rem){.veiled{--veil:var(--veil-2)}}
@media (min-width:58rem){.veiled{--veil:var(--veil-3)}}
:focus-visible{outline:3px solid var(--focus);outline-offset:3px}
.skip{position:absolute;inset-inline-start:-999rem}
.skip:focus{position:static;display:block;padding:.75rem;background:var(--surface);color:var(--text)}
@media (prefers-reduced-motion:reduce){*,::before,::after{animation:none!important;transition:none!important}html{scroll-behavior:auto}}
`

/**
 * Lists that a menu opens under its entries. They stand in a layer over the designs', whose rules are for the menu itself; in the phone
 * form of a menu they lie open. Where a browser cannot place one at its entry, it opens in the middle of the window.
 */
const MENU_CSS = `.menu-under{display:block;list-style:none;margin:0;padding:0}
.menu-under[popover]:not(:popover-open){display:none}
.menu-under li{display:block;min-width:0;border:0;margin:0;padding:0}
li:has(>.menu-more){display:inline-flex;align-items:center;anchor-name:--under;anchor-scope:--under}
.menu-more{min-width:1.75rem;min-height:2.75rem;padding:0;border:0;background:none;color:inherit;cursor:pointer}
.menu-more::before{content:"";display:block;width:.5em;height:.5em;margin:-.25em auto 0;border:solid currentColor;
  border-width:0 2px 2px 0;rotate:45deg}
.menu-more:has(+:popover-open)::before{margin-top:.2em;rotate:225deg}
.menu-under[popover]{border:var(--line) solid var(--text);background:var(--surface);color:var(--text);min-width:13rem;
  max-width:min(24rem,90vw);max-height:min(75vh,34rem);overflow:auto;padding:.4rem 0;text-align:start;border-radius:var(--corner-small)}
.menu-under a{display:block;margin:0;padding:.6rem 1.1rem;border:0;background:none;color:var(--text);text-decoration:none;
  font-weight:inherit;box-shadow:none}
.menu-under a:hover,.menu-under a:focus-visible{text-decoration:underline;text-underline-offset:.2em}
.menu-under a:focus-visible{outline-offset:-3px}
.menu-under [aria-current]{font-weight:700;text-decoration:underline;text-underline-offset:.2em}
.menu-under .menu-under a{padding-inline-start:2.2rem;font-size:.94em}
@supports (position-area:block-end){.menu-under[popover]{inset:auto;margin:0;position-anchor:--under;
  position-area:block-end span-inline-end;position-try-fallbacks:block-end span-inline-start,block-end}}
nav[popover]:popover-open{max-height:100vh;max-height:100dvh;overflow:auto}
nav[popover]:popover-open li:has(>.menu-more){display:block}
nav[popover]:popover-open .menu-more{display:none}
nav[popover]:popover-open .menu-under[popover]{display:block;position:static;border:0;max-width:none;max-height:none;
  padding:0 0 .4rem;background:none;color:inherit;font-size:.85em;overflow:visible}
nav[popover]:popover-open .menu-under a{padding:.45rem 0 .45rem 1.25rem;padding-inline:1.25rem 0}
nav[popover]:popover-open .menu-under .menu-under a{padding-inline-start:2.5rem}
`

/** On a site of one page the largest headings of its parts are a step lower, and look as their designs have them all the same. */
function forParts(css: string): string {
  return css.replace(/ h1(?=[\s.,:{])/g, ' :is(h1, h2)')
}

/** The places in which sections stand one under another on a site with columns at the sides of its pages. */
const STANDING = 'body>:not(main),main>:not(.columns),main>.columns>*>*'

/**
 * On a site with columns at the sides of its pages a section is not as wide as the window: what its rules say of the window's width they
 * say of the place that it stands in, and lengths that grow with the window grow with that place.
 */
function inColumns({ document }: Site, css: string): string {
  if (!hasColumns(document)) return css
  return css
    .replaceAll(/@media (?=\((?:min|max)-width:)([^{]*)\{\s*:root\s*\{/g, `@container $1{${STANDING}{`)
    .replaceAll(/@media (?=\((?:min|max)-width:)/g, '@container ')
    .replaceAll(/(\d)vw\b/g, '$1cqi')
    .replaceAll(/(?<![\w.#-])main > (?=[.:*])/g, ':is(main,main>div>div)>')
}

/** From a width of the window on, columns stand beside the page's own. */
function beside(from: string, columns: string): string {
  return (
    `@media (min-width:${from}){${columns}{grid-template-columns:var(--beside-start) minmax(0,1fr) var(--beside-end)}` +
    `${columns}>.middle{grid-area:1/2}${columns}>.side-start{grid-area:1/1}${columns}>.side-end{grid-area:1/3}}`
  )
}

/** Columns stand at the side where there is room for the page's own beside them; else they follow it. */
const COLUMNS_CSS = `body,.middle,.side-start,.side-end{container-type:inline-size}
.columns{display:grid;grid-template-columns:minmax(0,1fr);--beside-start:0px;--beside-end:0px}
.columns>*{min-width:0}
.columns>*>*{font-size:var(--step-0)}
${SIDES.flatMap((side) => COLUMN_WIDTHS.map((width) => `.${side}-${width}{--beside-${side}:${COLUMN_REMS[width]}rem}`)).join('\n')}
${beside('60rem', '.columns:not([class*=start-][class*=end-])')}
${beside('78rem', '.columns')}
`

/**
 * The CSS of everything that is the template's: ground rules, its type, and the designs in use, or those that are named, each once; in
 * one layer, under the brand's own rules.
 */
export function designCss(site: Site, only: readonly string[] | null = null): string {
  const template = templateOf(site)
  const designs = new Map<string, string>()
  for (const { kind, design } of looksByName(site.document)) {
    if (only && !only.includes(designKey(kind, design))) continue
    const found = findDesign(site.pack, kind, design)
    const css = found && (kind === 'header' ? menuFrom(found.css, site.menuFrom) : found.css)
    if (css) designs.set(designKey(kind, design), site.document.plan.onePage ? forParts(css) : css)
  }
  const hasUnder = site.mode === 'sheet' || menuOf(site.document, 'menu').some(({ under }) => under.length > 0)
  const rules = inColumns(site, [BASE_CSS, template.css, ...designs.values()].join('\n'))
  const pack = `@layer pack{\n${rules}${hasColumns(site.document) ? COLUMNS_CSS : ''}\n}`
  return hasUnder ? `${pack}\n@layer menu{\n${MENU_CSS}}` : pack
}

/** The designs that a page shows, by name, each once; null: the page for wrong addresses. */
export function designsOn(site: Site, page: Page | null): readonly string[] {
  const shown = allOf(pageSections(site, page)).map((section) => shownSection(site.document, section))
  return [...new Set(shown.map(({ kind, design }) => designKey(kind, design)))].sort()
}

/** A name for all that decides how wide the menu of a site is. */
export function menuKeyOf(site: Site): string {
  return menuKey(site, [BASE_CSS, MENU_CSS, templateOf(site).css, brandCss(site), String(hasColumns(site.document))].join('\n'))
}
