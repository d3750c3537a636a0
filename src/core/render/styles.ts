import { makeScheme, ROLES, veilOpacity, type Scheme } from '../colour'
import { designKey, findScheme, getDesign } from '../pack'
import { allSections, TONES, type Tone } from '../site'
import { getFamily } from '../type'
import { templateOf, type Site } from './site'

const lastScheme = new WeakMap<object, { readonly key: string; readonly scheme: Scheme }>()

/** The site's colours: its scheme with the client's colours in it. Every page asks, so the last answer is kept. */
export function siteScheme(site: Site): Scheme {
  const { brand, dark = false } = site.document
  const spec = findScheme(templateOf(site), site.document.scheme ?? null)
  const key = `${brand.colour} ${brand.second} ${brand.third} ${dark}`
  const last = lastScheme.get(spec)
  if (last?.key === key) return last.scheme
  const scheme = makeScheme(spec, brand, dark)
  lastScheme.set(spec, { key, scheme })
  return scheme
}

/** What the text on a picture needs of the veil between them: WCAG 2.2, 1.4.3, and a hair more. */
const VEILED_TEXT = 4.51

/** Custom properties of each tone that the site uses, and its type families. */
export function tokenCss(site: Site): string {
  const scheme = siteScheme(site)
  const { fonts } = templateOf(site)
  const used = new Set<Tone>(['paper', ...allSections(site.document).map((s) => s.tone)])
  const family = (key: string): string => `"${getFamily(key).name}", ${getFamily(key).fallback}`
  const root = `:root{--font-display:${family(fonts.display)};--font-text:${family(fonts.text)}}`
  const tones = TONES.filter((tone) => used.has(tone)).map((tone) =>
    `${tone === 'paper' ? ':root,' : ''}.tone-${tone}{${ROLES.map((role) => `--${role}:${scheme[tone][role]}`).join(';')}${tone === 'picture' ? `;--veil:${veilOf(scheme.picture)}` : ''}}`)
  return [root, ...tones].join('\n')
}

/** The picture tone's surface, as see-through as the text on it allows over any picture. */
function veilOf({ surface, text }: Scheme['picture']): string {
  const opacity = Math.round(veilOpacity(surface, text, VEILED_TEXT) * 255)
  return surface + opacity.toString(16).padStart(2, '0')
}

/** Ground rules every site shares: sizes behave, pictures keep their shape, hidden text is for readers only. */
const BASE_CSS = `:root{--margin:clamp(8rem,16vw,15rem);--columns:minmax(0,1fr);--corner:0px;--corner-small:0px;--line:1px}
@media (min-width:46rem){:root{--columns:var(--margin) minmax(0,1fr)}}
*,::before,::after{box-sizing:border-box}
html{-webkit-text-size-adjust:100%;text-size-adjust:100%;scroll-behavior:smooth}
body{margin:0;background:var(--surface);color:var(--text);font-family:var(--font-text);-webkit-font-smoothing:antialiased;overflow-wrap:break-word}
h1,h2,h3,h4,h5,h6,p,ul,ol,dl,dd,figure,blockquote,table{margin:0;padding:0}
ul,ol{list-style:none}
img{display:block;max-width:100%;height:auto}
picture{display:contents}
button{font:inherit;color:inherit}
[class*="tone-"]{background:var(--surface);color:var(--text)}
:focus-visible{outline:3px solid var(--focus);outline-offset:3px}
.skip{position:absolute;left:-999rem}.skip:focus{position:static;display:block;padding:.75rem;background:var(--surface);color:var(--text)}
@media (prefers-reduced-motion:reduce){*,::before,::after{animation:none!important;transition:none!important}html{scroll-behavior:auto}}
`

/** The CSS of everything but colours and fonts: ground rules, the template's type, and the designs in use, each once. */
export function designCss(site: Site): string {
  const template = templateOf(site)
  const sections = [...allSections(site.document), template.notFound]
  const designs = new Map(sections.map((s) => [designKey(s.kind, s.design), getDesign(site.pack, s.kind, s.design).css]))
  return [BASE_CSS, template.css, ...designs.values()].join('\n')
}
