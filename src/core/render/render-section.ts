import { pictureVariants } from '../image'
import {
  getDesign, getTemplate, isSafeUrl, listItems, pageTexts, sectionPlaceholders, shownValue,
  type Binding, type ComputedList, type DesignElement, type DesignNode, type Shown,
} from '../pack'
import { isDraftValue, isEmptyValue, plainWords, relativePath, toHoursRows, toTelUri, type LinkTarget, type Page, type RichText, type Section } from '../site'
import { factMark, RIGHT_TO_LEFT, tag } from './element'
import { attribute, escapeText } from './escape'
import { phoneCountry, profileName, shownFact } from './shown-fact'
import { pictureUrl, type PageScope } from './site'
import { renderLogo } from './render-logo'
import { veiled } from './veil-element'

/** Where in a section the renderer is: which entry of which list, or which row of a computed one. */
type Place = { readonly section: Section; readonly prefix: string; readonly entry: number; readonly part: ComputedEntry | null }
type ComputedEntry = { readonly [part: string]: { readonly text: string; readonly attributes?: string } }

/** One section as HTML: its design's tree with the content that its slots show. */
export function renderSection(scope: PageScope, section: Section): string {
  const tree = getDesign(scope.site.pack, section.kind, section.design).tree
  const root: DesignElement = { ...tree, attrs: { ...tree.attrs, class: `${tree.attrs.class ?? ''} tone-${section.tone}` } }
  const draft = scope.site.mode === 'draft' ? attribute('data-section', section.id) : ''
  return renderElement(scope, { section, prefix: '', entry: 0, part: null }, root, draft)
}

function renderNode(scope: PageScope, place: Place, node: DesignNode): string {
  return typeof node === 'string' ? escapeText(node) : renderElement(scope, place, node, '')
}

function renderElement(scope: PageScope, place: Place, given: DesignElement, extra: string): string {
  const element = given.veil ? veiled(scope, place.section, given, given.veil) : given
  if (element.when && isAbsent(scope, place, element.when)) return ''
  const b = element.binding
  if (!b) return tag(element, extra, renderNodes(scope, place, element.children))
  switch (b.type) {
    case 'slot': return renderSlot(scope, place, element, b)
    case 'list': {
      const items = listItems(place.section, placeholdersOf(scope, place), b.list)
      const pattern = element.children
      if (items.length === 0 && scope.site.mode === 'release') return ''
      return tag(element, mark(scope, place, b.list, null), items.map((item, entry) =>
        renderNodes(scope, { ...place, prefix: `${b.list}/${item}/`, entry }, pattern)).join(''))
    }
    case 'each': return tag(element, b.each === 'hours' || b.each === 'socials' ? factMark(scope, b.each) : '', computedEntries(scope, b.each).map((part) => renderNodes(scope, { ...place, part }, element.children)).join(''))
    case 'part': {
      const entry = place.part?.[b.part]
      return tag(element, entry?.attributes ?? '', escapeText(entry?.text ?? ''))
    }
    case 'fact': return renderFact(scope, element, b.fact)
    case 'logo': return renderLogo(scope, element, place.section)
    default: return b satisfies never
  }
}

function renderNodes(scope: PageScope, place: Place, nodes: readonly DesignNode[]): string {
  let html = ''
  for (const node of nodes) html += renderNode(scope, place, node)
  return html
}

function placeholdersOf(scope: PageScope, place: Place): ReturnType<typeof sectionPlaceholders> {
  return sectionPlaceholders(scope.site.pack, scope.site.document, place.section)
}

function shown(scope: PageScope, place: Place, slot: string): Shown | null {
  return shownValue(place.section, placeholdersOf(scope, place), place.prefix + slot)
}

function isAbsent(scope: PageScope, place: Place, when: string): boolean {
  const [, fact] = /^fact:(.+)$/.exec(when) ?? []
  if (fact === 'hours' || fact === 'socials') return computedEntries(scope, fact).length === 0
  if (fact) return shownFact(scope.site, fact as 'phone').text === ''
  const found = shown(scope, place, when)
  return found === null || isEmptyValue(found.value)
}

/** Draft only: names the slot for the editor, and says whether it is a leftover or a draft to be confirmed. */
function mark(scope: PageScope, place: Place, slot: string, shows: Shown | null): string {
  if (scope.site.mode === 'release') return ''
  const state = shows?.leftover ? ' data-basted=""' : isDraftValue(shows?.value ?? null) ? ' data-draft=""' : ''
  return attribute('data-at', `${place.section.id} ${place.prefix}${slot}`) + state
}

/** Words that run from right to left stand on the right, whatever the page's language. */
function direction(found: Shown | null): string {
  return found && RIGHT_TO_LEFT.test(plainWords(found.value)) ? ' dir="auto"' : ''
}

type SlotBinding = Extract<Binding, { type: 'slot' }>

function renderSlot(scope: PageScope, place: Place, element: DesignElement, b: SlotBinding): string {
  const found = shown(scope, place, b.slot)
  const release = scope.site.mode === 'release'
  if (release && (found === null || isEmptyValue(found.value))) return ''
  const extra = direction(found) + mark(scope, place, b.slot, found) + (!release && b.slotType === 'rich' ? ' data-rich=""' : '')
  const value = found?.value
  if (value?.type === 'image') return renderPicture(scope, element, { ...b, ratio: frameOf(b.ratio, place.entry) }, value, extra)
  if (value?.type === 'rich') return tag(element, extra, renderRich(value.rich))
  if (value?.type === 'link') return tag(element, attribute('href', linkHref(scope, value.to)) + extra, escapeText(value.label))
  return tag(element, extra, value?.type === 'text' ? escapeText(value.text) : '')
}

/** A list may frame its pictures in turn: `4:5 3:2 1:1`. */
function frameOf(ratios: string | null, entry: number): string | null {
  const frames = ratios?.split(' ') ?? []
  return frames[entry % frames.length] ?? null
}

/** Paragraphs, and entries gathered into lists. */
export function renderRich(rich: RichText): string {
  let html = ''
  rich.forEach((block, i) => {
    const inner = block.runs.map((run) => {
      const text = escapeText(run.text)
      const styled = run.strong ? `<strong>${text}</strong>` : run.em ? `<em>${text}</em>` : text
      return run.href && isSafeUrl(run.href) ? `<a${attribute('href', run.href)}>${styled}</a>` : styled
    }).join('')
    if (block.type === 'li') html += (rich[i - 1]?.type === 'li' ? '' : '<ul>') + `<li>${inner}</li>` + (rich[i + 1]?.type === 'li' ? '' : '</ul>')
    else html += `<p>${inner}</p>`
  })
  return html
}

/** Where a link leads from the page in hand; `#` where its page or fact is gone, which a check reports. */
export function linkHref(scope: PageScope, to: LinkTarget): string {
  if (to.type === 'page') {
    const { pages } = scope.site.document
    // A template's own links name its pages by key; a page of another template, or one made anew, has another id.
    const page = pages.find((p) => p.id === to.page) ?? pages.find((p) => p.from?.split('/').at(-1) === to.page)
    return page ? relativePath(scope.page, page) : '#'
  }
  return to.type === 'fact' ? factHref(scope, to.fact) : isSafeUrl(to.url) ? to.url : '#'
}

function factHref(scope: PageScope, fact: string): string {
  const { text } = shownFact(scope.site, fact as 'phone')
  if (text === '') return '#'
  if (fact === 'phone') return toTelUri(text, phoneCountry(scope.site))
  if (fact === 'email') return `mailto:${text}`
  // RFC 5870 has no address search; a map search by https works in every browser and map application.
  return `https://www.openstreetmap.org/search?query=${encodeURIComponent(text)}`
}

function renderFact(scope: PageScope, element: DesignElement, fact: Extract<Binding, { type: 'fact' }>['fact']): string {
  const { text } = shownFact(scope.site, fact)
  if (text === '' && scope.site.mode === 'release') return ''
  const href = element.tag === 'a' ? attribute('href', factHref(scope, fact)) : ''
  const lines = fact === 'address' ? text.split(', ').map(escapeText).join(',<br>') : escapeText(text)
  return tag(element, href + (RIGHT_TO_LEFT.test(text) ? ' dir="auto"' : '') + factMark(scope, fact), lines)
}

function computedEntries(scope: PageScope, each: ComputedList): ComputedEntry[] {
  switch (each) {
    case 'menu': return pageEntries(scope, (page) => page.menu === undefined)
    case 'foot': return pageEntries(scope, (page) => page.menu === 'foot')
    case 'hours': return hoursEntries(scope)
    case 'socials': return (scope.site.document.facts.socials ?? []).map((url) => ({ profile: { text: profileName(url), attributes: attribute('href', url) + ' rel="me"' } }))
    default: return each satisfies never
  }
}

function hoursEntries({ site: { document, pack } }: PageScope): ComputedEntry[] {
  const hours = document.facts.hours ?? getTemplate(pack, document.template).facts.hours
  return toHoursRows(hours).map((row) => ({ days: { text: row.days }, times: { text: row.times, ...(row.closed ? { attributes: ' class="closed"' } : {}) } }))
}

function pageEntries(scope: PageScope, isListed: (page: Page) => boolean): ComputedEntry[] {
  const { document, pack } = scope.site
  return document.pages.filter(isListed).map((page) => ({
    page: {
      text: pageTexts(pack, document, page).name,
      attributes: attribute('href', relativePath(scope.page, page)) + (page === scope.page ? ' aria-current="page"' : ''),
    },
  }))
}

type ImageValue = { readonly type: 'image'; readonly asset: string; readonly alt: string; readonly focus?: { readonly x: number; readonly y: number } | undefined }

function renderPicture(scope: PageScope, element: DesignElement, b: SlotBinding, value: ImageValue, extra: string): string {
  const asset = scope.site.assets[value.asset]
  if (!asset) return scope.site.mode === 'release' ? '' : tag(element, `${attribute('alt', value.alt)}${extra}`, '')
  const { sources, fallback } = pictureVariants(asset, b.ratio, value.focus ?? asset.focus)
  const largest = sources.at(-1) ?? fallback
  const first = scope.written++ === 0
  const size = `${attribute('alt', value.alt)} width="${largest.width}" height="${largest.height}"`
  if (scope.site.mode === 'draft') {
    const near = sources.find((s) => s.width >= 960) ?? largest
    return tag(element, attribute('src', pictureUrl(scope, asset, near)) + size + extra, '')
  }
  const loading = first ? ' fetchpriority="high"' : ' loading="lazy" decoding="async"'
  const img = tag(element, attribute('src', pictureUrl(scope, asset, fallback)) + size + loading, '')
  if (sources.length === 0) return img
  const srcset = sources.map((s) => `${pictureUrl(scope, asset, s)} ${s.width}w`).join(', ')
  return `<picture><source type="image/webp"${attribute('srcset', srcset)}${attribute('sizes', b.sizes ?? '100vw')}>${img}</picture>`
}
