import { own } from '../../own'
import {
  answersOf,
  designKey,
  findDesign,
  shownPlaces,
  type Binding,
  type Design,
  type DesignElement,
  type DesignNode,
  type LabelWords,
  type ShownFact,
} from '../../pack'
import {
  alterationsOf,
  findPage,
  isEmptyValue,
  partAnchor,
  placeKey,
  plainWords,
  roleOf,
  sectionsOn,
  shownSection,
  siteLanguage,
  type ImageValue,
  type LinkValue,
  type Place,
  type Section,
  type SiteDocument,
  type SlotPlace,
  type SlotValue,
} from '../../site'
import { keptAt, shownEntries, shownEntrySlot, shownSlot, type Content, type Shown, type ShownEntry } from '../content'
import { contentOf } from '../content-of'
import { allowedIn } from '../../rich'
import { commaOf } from '../../words'
import { ownWord, shownLabel } from '../labels'
import { sectionRows } from '../section-rows'
import { shownFact } from '../shown-fact'
import { templateOf } from '../site'
import { computedEntries, type ComputedEntry } from './computed-lists'
import { direction, isSetApart, together, wordsOn, type Manner } from './direction'
import { fittedTo } from './fitted'
import { fillLogo } from './fill-logo'
import { withUnder } from './fill-menu'
import { fillRich } from './fill-rich'
import { factHref, fileAside, linkHref, newTabAside } from './links'
import { dividedWords, longHeading, withClass } from './long'
import { factMark, slotMark } from './marks'
import type { PageScope } from './page-scope'
import { withIcon } from './icon-node'
import { isStill } from './still'
import { NONE, plain, type FilledElement, type FilledNode, type FilledSection } from './tree'
import { veilAttributes } from './veil'

/** Where in a section the filling is: in which entry of a list, or on which row of a computed one. */
type Spot = {
  readonly content: Content
  readonly entry: { readonly list: string; readonly shown: ShownEntry; readonly number: number } | null
  readonly part: ComputedEntry | null
  /** Whether the section stands on a part of the one page: its largest heading is one of several there. */
  readonly isPart: boolean
  /** The frame that the section's pictures are altered to. */
  readonly frame: string | null
}

/** One section with the content that its places show. One whose design is not here, or that has nothing to say, leaves a gap. */
export function fillSection(scope: PageScope, standing: Section): FilledSection {
  // Of a shared one the place is its own, and all else the other's.
  const section = shownSection(scope.site.document, standing)
  const { id } = standing
  const { kind } = section
  const design = findDesign(scope.site.pack, kind, section.design)
  if (!design) return { id, root: null, gap: { type: 'noDesign', name: designKey(kind, section.design) } }
  if (standing.hidden) return { id, root: null, gap: { type: 'hidden', name: section.name ?? kind } }
  if (isPast(scope, section)) return { id, root: null, gap: { type: 'past', name: kind } }
  const { tree } = design
  const cut = cutOf(scope, section, design)
  const part = partOf(scope, standing)
  const anchor = standing.anchor ?? part?.anchor
  const spot: Spot = {
    content: contentOf(scope.site.pack, scope.site.document, section),
    entry: null,
    part: null,
    isPart: part !== null,
    frame: cut.frame,
  }
  const root: DesignElement = {
    ...tree,
    attrs: {
      ...tree.attrs,
      class: `${tree.attrs.class ?? ''} tone-${section.tone}${cut.classes}`,
      ...(anchor ? { id: anchor } : {}),
    },
  }
  const filled = isEmpty(scope, section, design) ? null : fillElement(scope, spot, root)
  const { until } = section
  return filled
    ? { id, root: filled, gap: null, ...(until === undefined ? {} : { until }) }
    : { id, root: null, gap: { type: 'empty', name: kind } }
}

/** Where a section stands on a part of the one page: the name that the part is found by, if it is the first there that is drawn. */
function partOf({ site: { document } }: PageScope, { id, in: where }: Section): { readonly anchor: string | null } | null {
  const page = document.plan.onePage && where.type === 'page' ? findPage(document, where.page) : null
  if (!page || roleOf(document, page) !== 'part') return null
  const first = sectionsOn(document, page.id).find((section) => !section.hidden)
  return { anchor: first?.id === id ? partAnchor(document, page) : null }
}

/** A page has one largest heading: those of the parts that stand on it are a step below. */
function lowered({ isPart }: Spot, element: DesignElement): DesignElement {
  return isPart && element.tag === 'h1' ? { ...element, tag: 'h2' } : element
}

/** What is altered in a section's cut, as far as its design can do it: classes that its CSS answers to, and the frame of its pictures. */
function cutOf({ site }: PageScope, section: Section, design: Design): { readonly classes: string; readonly frame: string | null } {
  const altered = alterationsOf(section)
  if (altered.length === 0) return { classes: '', frame: null }
  const answers = answersOf(design, templateOf(site).css)
  const done = altered.filter(([name, value]) => answers[name]?.includes(value))
  const classes = done.filter(([name]) => name !== 'frame').map(([name, value]) => ` cut-${name}-${value}`)
  return { classes: classes.join(''), frame: done.find(([name]) => name === 'frame')?.[1] ?? null }
}

/** Whether the last day of a section is over; while somebody types in it, it stands. */
function isPast({ site: { today }, typing }: PageScope, { id, until }: Section): boolean {
  return until !== undefined && today !== undefined && today > until && id !== typing?.section
}

/** Whether a section of a page has places and none has anything in it. One that says what its design says of itself is none. */
function isEmpty(scope: PageScope, section: Section, design: Design): boolean {
  if (section.in.type === 'header' || section.in.type === 'footer' || section.id === scope.typing?.section) return false
  const { document, pack } = scope.site
  const rows = sectionRows(pack, document, section)
  const { facts } = shownPlaces(design)
  return (
    rows.length + facts.length > 0 &&
    rows.every(({ type, value, placeholder }) => type === 'list' || isNothing(value ?? placeholder)) &&
    facts.every((fact) => isFactAbsent(scope, fact))
  )
}

function fillNodes(scope: PageScope, spot: Spot, nodes: readonly DesignNode[], into: FilledNode[]): FilledNode[] {
  for (const node of nodes) {
    if (typeof node === 'string') into.push(node)
    else if (isStill(node)) into.push({ type: 'still', element: node })
    else {
      const filled = fillElement(scope, spot, node)
      if (filled) into.push(filled)
    }
  }
  return into
}

/** An element with its content; null where it is left out. */
function fillElement(scope: PageScope, spot: Spot, given: DesignElement): FilledElement | null {
  const element = spoken(scope, given.veil ? veiled(scope, spot.content.section, lowered(spot, given), given.veil) : lowered(spot, given))
  if (element.when && isAbsent(scope, spot, element.when)) return null
  const b = element.binding
  if (!b) return bound(element, null, fillNodes(scope, spot, element.children, []), null)
  switch (b.type) {
    case 'slot':
      return fillSlot(scope, spot, element, b)
    case 'list':
      return fillList(scope, spot, element, b.list)
    case 'each':
      return fillEach(scope, spot, element, b.each)
    case 'part': {
      const part = spot.part && own(spot.part.parts, b.part)
      return bound(element, part?.extra ?? null, wordsOn(scope.site.document, part?.text ?? ''), null)
    }
    case 'fact':
      return fillFact(scope, element, b.fact)
    case 'label':
      return fillLabel(scope, element, b)
    case 'logo':
      return fillLogo(scope, element, spot.content.section)
    default:
      return b satisfies never
  }
}

function bound(
  element: DesignElement,
  extra: FilledElement['extra'],
  children: readonly FilledNode[],
  mark: FilledElement['mark'],
): FilledElement {
  return { type: 'element', tag: element.tag, base: element.attrs, extra, children, mark }
}

function veiled(scope: PageScope, section: Section, element: DesignElement, areas: NonNullable<DesignElement['veil']>): DesignElement {
  const veil = veilAttributes(scope, section, areas)
  return veil ? { ...element, attrs: { ...element.attrs, class: `${element.attrs.class ?? ''} veiled`.trim(), ...veil } } : element
}

function shown(spot: Spot, slot: string): Shown | null {
  return spot.entry ? shownEntrySlot(spot.entry.shown, slot) : shownSlot(spot.content, slot)
}

function placeOf(spot: Spot, slot: string): SlotPlace {
  return { type: 'slot', ...keptAt(spot.content, spot.entry?.shown ?? null, slot) }
}

/** Where it stands, wherever it is kept. */
function standsAt({ content, entry }: Spot, slot: string): SlotPlace {
  const ref = entry && { ...entry.shown.ref, list: entry.list }
  return { type: 'slot', section: content.section.id, entry: ref, slot }
}

function isAbsent(scope: PageScope, spot: Spot, when: string): boolean {
  if (when.startsWith('fact:')) return isFactAbsent(scope, when.slice('fact:'.length) as ShownFact)
  return isLeftOut(scope, placeOf(spot, when), shown(spot, when))
}

function isFactAbsent(scope: PageScope, fact: ShownFact | 'hours' | 'socials'): boolean {
  if (fact === 'hours' || fact === 'socials') return computedEntries(scope, fact).length === 0
  return shownFact(scope.site, fact).text === '' && scope.typing?.fact !== fact
}

function isTyping({ typing }: PageScope, place: Place): boolean {
  return typing ? typing.key === placeKey(place) : false
}

/** What is empty is not drawn, unless somebody is typing there. */
function isLeftOut(scope: PageScope, place: SlotPlace, found: Shown | null): boolean {
  return isNothing(found?.value ?? null) && !isTyping(scope, place)
}

function isNothing(value: SlotValue | null): boolean {
  return value === null || isEmptyValue(value)
}

function fillList(scope: PageScope, spot: Spot, element: DesignElement, list: string): FilledElement | null {
  const entries = shownEntries(spot.content, list).filter(({ hidden }) => !hidden)
  if (entries.length === 0) return null
  const children: FilledNode[] = []
  entries.forEach((entry, i) => fillNodes(scope, { ...spot, entry: { list, shown: entry, number: i } }, element.children, children))
  return bound(element, null, children, { place: placeOf({ ...spot, entry: null }, list), state: 'own', rich: false })
}

function fillEach(scope: PageScope, spot: Spot, element: DesignElement, each: Extract<Binding, { type: 'each' }>['each']): FilledElement {
  const children: FilledNode[] = []
  // Only at the head of a page do lists open under a menu's entries; elsewhere the first level stands.
  const isOpened = spot.content.section.in.type === 'header'
  for (const part of computedEntries(scope, each)) {
    const nodes = fillNodes(scope, { ...spot, part }, element.children, [])
    children.push(...(isOpened ? withUnder(scope, nodes, part) : nodes))
  }
  return bound(element, null, children, each === 'hours' || each === 'socials' ? factMark(scope.site, each) : null)
}

type SlotBinding = Extract<Binding, { type: 'slot' }>

function fillSlot(scope: PageScope, spot: Spot, element: DesignElement, b: SlotBinding): FilledElement | null {
  const found = shown(spot, b.slot)
  const place = placeOf(spot, b.slot)
  if (isLeftOut(scope, place, found)) return null
  const { document } = scope.site
  const extra = found ? direction(document, plainWords(found.value)) : null
  const manner: Manner = { raw: isTyping(scope, place) }
  const mark = slotMark(place, standsAt(spot, b.slot), found, b.slotType === 'rich')
  const value = found?.value
  switch (value?.type) {
    case 'image':
      return fillPicture(scope, element, frameOf(spot, b), b.sizes, value, extra, mark)
    case 'rich': {
      const words = fillRich(scope, value.rich, allowedIn(spot.content.section.kind, b.slot), manner)
      const fitted = fittedIn(scope, spot, b.slot)
      if (!fitted) return bound(element, extra, words, mark)
      return { ...bound(element, together(extra, fitted), words, mark), base: withClass(element.attrs, 'fitted') }
    }
    case 'link':
      return fillLink(scope, element, value, manner, extra, mark)
    default:
      return fillText(scope, element, value?.type === 'text' ? value.text : '', manner, extra, mark, fittedIn(scope, spot, b.slot))
  }
}

function fittedIn({ site }: PageScope, { content, entry }: Spot, slot: string): FilledElement['extra'] {
  return fittedTo(site, { content, list: entry?.list ?? null, slot })
}

function fillLink(
  scope: PageScope,
  element: DesignElement,
  { to, label, tab, icon }: LinkValue,
  manner: Manner,
  extra: FilledElement['extra'],
  mark: FilledElement['mark'],
): FilledElement {
  const { document } = scope.site
  const leads = { href: linkHref(scope, to), ...(tab && { target: '_blank', title: ownWord(document, 'new-tab') }) }
  // Where somebody types, there are the words alone.
  const asides = manner.raw ? [] : [...fileAside(to), ...(tab ? [newTabAside(document)] : [])]
  const words = wordsOn(document, label, manner)
  return bound(element, together(leads, extra), [...(manner.raw ? words : withIcon(words, icon)), ...asides], mark)
}

function fillText(
  { site }: PageScope,
  element: DesignElement,
  text: string,
  manner: Manner,
  extra: FilledElement['extra'],
  mark: FilledElement['mark'],
  fitted: FilledElement['extra'],
): FilledElement {
  const shown = manner.raw || !site.hyphens ? text : dividedWords(element.tag, text, site.hyphens)
  const words = text === '' ? [] : wordsOn(site.document, shown, manner)
  const base = shown === text ? longHeading(element, text) : withClass(longHeading(element, text), 'divided')
  if (!fitted) return { ...bound(element, extra, words, mark), base }
  // The element is the room of its words, and they are set in it: so their size can be reckoned from its width.
  return { ...bound(element, together(extra, fitted), [{ ...plain('span', words), mark }], null), base: withClass(base, 'fitted') }
}

function fillPicture(
  scope: PageScope,
  element: DesignElement,
  ratio: string | null,
  sizes: string | null,
  value: ImageValue,
  extra: FilledElement['extra'],
  mark: FilledElement['mark'],
): FilledElement | null {
  const asset = own(scope.site.assets, value.asset)
  if (!asset) return null
  return {
    ...bound(element, together({ alt: value.alt }, extra), [], mark),
    picture: { asset, ratio, focus: value.focus ?? asset.focus, sizes },
  }
}

/** The frame that a section's pictures are altered to; else the design's own: a list may frame its pictures in turn, `4:5 3:2 1:1`. */
function frameOf({ frame, entry }: Spot, { ratio }: SlotBinding): string | null {
  const frames = ratio?.split(' ') ?? []
  return ratio === null ? null : (frame ?? frames[(entry?.number ?? 0) % frames.length] ?? null)
}

function fillFact(scope: PageScope, element: DesignElement, fact: Extract<Binding, { type: 'fact' }>['fact']): FilledElement | null {
  if (isFactAbsent(scope, fact)) return null
  const { text } = shownFact(scope.site, fact)
  const { document } = scope.site
  const href = element.tag === 'a' ? { href: factHref(scope, fact) } : null
  // An address of the post is printed as words are; one of mail is no words.
  const manner: Manner = { raw: fact === 'email' || scope.typing?.fact === fact }
  const words = fact === 'address' ? addressLines(document, text) : wordsOn(document, text, manner)
  return bound(element, together(href, direction(document, text)), words, factMark(scope.site, fact))
}

function fillLabel(scope: PageScope, element: DesignElement, words: LabelWords): FilledElement | null {
  const { document } = scope.site
  const { text, leftover } = shownLabel(document, words)
  const place: Place = { type: 'label', label: words.label }
  if (text === '' && !isTyping(scope, place)) return null
  return bound(element, direction(document, text), wordsOn(document, text, { raw: isTyping(scope, place) }), {
    place,
    state: leftover ? 'leftover' : 'own',
    rich: false,
  })
}

/** What an element is called to those who hear the page is a label too. */
function spoken(scope: PageScope, element: DesignElement): DesignElement {
  if (!element.spoken) return element
  return { ...element, attrs: { ...element.attrs, 'aria-label': shownLabel(scope.site.document, element.spoken).text } }
}

const BREAK: FilledNode = { type: 'element', tag: 'br', base: NONE, extra: null, children: [], mark: null }

/** An address in lines as it is written on an envelope; one in other letters than the page's keeps its own comma. */
function addressLines(document: SiteDocument, text: string): FilledNode[] {
  const comma = isSetApart(document, text) ? ',' : commaOf(siteLanguage(document))
  return text
    .split(', ')
    .flatMap((line, i, all): readonly FilledNode[] =>
      i < all.length - 1 ? [...wordsOn(document, `${line}${comma}`), BREAK] : wordsOn(document, line),
    )
}
