import { readFileSync } from 'node:fs'
import path from 'node:path'
import { defaultTreeAdapter as dom, parseFragment, type DefaultTreeAdapterTypes as P5 } from 'parse5'
import { expect, test } from 'vitest'
import { makeDocument, type Site } from '../../src/core/fill'
import { designKey, getTemplate, type Design } from '../../src/core/pack'
import { makeSheetPainter, renderPage } from '../../src/core/render'
import {
  findPage,
  KINDS,
  placeKey,
  type EntryRef,
  type Facts,
  type Page,
  type Place,
  type Section,
  type SectionId,
  type SlotValue,
} from '../../src/core/site'
import { testAssets, testPack } from '../pack'
import { random } from '../random'
import { edited, setSlot } from '../site'

// A design is plain HTML that is right as it stands, its placeholders in place (docs/template-pack.md). So the designs' own
// files, read by parse5 (an HTML parser after the WHATWG standard) and changed in place by the few lines below, say what a
// page and a sheet must be; nothing of the filling, the writing or the reading of packs has a part in it.

const DESIGNS = path.join(import.meta.dirname, '../../templates/designs')
let next = random(77)
const chance = (share: number): boolean => next() < share
const oneOf = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!

type Tree = readonly [tag: string, attributes: Readonly<Record<string, string>>, children: readonly (Tree | string)[]]
/** What a try puts on the page, and where it stands. */
type Try = {
  readonly site: Site
  readonly page: Page
  readonly section: SectionId
  readonly slots: Readonly<Record<string, SlotValue>>
  readonly items: Readonly<Record<number, Readonly<Record<string, SlotValue>>>>
  readonly facts: Facts
  /** What the site has some labels say. */
  readonly labels: Readonly<Record<string, string>>
  readonly isSheet: boolean
}

const TEXTS = [
  'Plain words',
  'Words that run on '.repeat(4).trim(),
  'Words that run on '.repeat(6).trim(),
  'Tea & “cake” <b>',
  'שלום לכולם',
  '',
]
const RICH = [
  [{ type: 'p' as const, runs: [{ text: 'One ' }, { text: 'strong', strong: true as const }, { text: '<i>' }] }],
  [
    { type: 'li' as const, runs: [{ text: 'first' }] },
    { type: 'li' as const, runs: [{ text: 'second', to: { type: 'url' as const, url: 'https://shop.example/?a=1&b=2' } }] },
    {
      type: 'p' as const,
      runs: [
        { text: 'after', em: true as const },
        { text: 'bad', to: { type: 'url' as const, url: 'javascript:alert(1)' } },
      ],
    },
    { type: 'li' as const, runs: [{ text: 'a list of its own' }] },
  ],
  [],
]
const RICH_TREES: readonly (readonly Tree[])[] = [
  [['p', {}, ['One ', ['strong', {}, ['strong']], '<i>']]],
  [
    [
      'ul',
      {},
      [
        ['li', {}, [['p', {}, ['first']]]],
        ['li', {}, [['p', {}, [['a', { href: 'https://shop.example/?a=1&b=2' }, ['second']]]]]],
      ],
    ],
    ['p', {}, [['em', {}, ['after']], 'bad']],
    ['ul', {}, [['li', {}, [['p', {}, ['a list of its own']]]]]],
  ],
  [],
]

function someValue(type: string): SlotValue | null {
  if (type === 'text') return { type: 'text', text: oneOf(TEXTS) }
  if (type === 'rich') return { type: 'rich', rich: oneOf(RICH) }
  if (type === 'image') return { type: 'image', asset: 'limewash/waiting-corner.jpg', alt: 'A “picture” & words' }
  if (type !== 'link') return null
  const to = oneOf([
    { type: 'page', page: 'about' },
    { type: 'page', page: 'gone' },
    { type: 'fact', fact: 'phone' },
    { type: 'fact', fact: 'email' },
    { type: 'url', url: 'https://shop.example/?q=a&b' },
    { type: 'url', url: 'javascript:alert(2)' },
  ] as const)
  return { type: 'link', label: oneOf(['Go & see', 'Go', '']), to } as SlotValue
}

/** What stands in a slot: its tree, what it brings to the element's attributes, and whether that is nothing. */
type Content = { readonly children: readonly (Tree | string)[]; readonly attributes: Record<string, string>; readonly isEmpty: boolean }

function ofValue(value: SlotValue, page: string): Content {
  switch (value.type) {
    case 'text':
      return { children: [value.text], attributes: {}, isEmpty: value.text === '' }
    case 'rich':
      return { children: RICH_TREES[RICH.indexOf(value.rich as never)]!, attributes: {}, isEmpty: value.rich.length === 0 }
    case 'link':
      return { children: [value.label], attributes: { href: hrefOf(value.to as never, page) }, isEmpty: value.label === '' }
    case 'image':
      return { children: [], attributes: { alt: value.alt, file: 'waiting-corner' }, isEmpty: false }
    default:
      throw new Error(`No content for ${value.type}`)
  }
}

type Link = { readonly type: string; readonly page?: string; readonly fact?: string; readonly url?: string }
let facts: Record<string, string> = {}

function hrefOf(to: Link, page: string): string {
  const up = page === 'home' ? './' : '../'
  if (to.type === 'page') {
    const found = JSON_PAGES.find((p) => p.key === to.page)
    return found ? up + (found.segment === '' ? '' : `${found.segment}/`) : '#'
  }
  if (to.type === 'url') return to.url!.startsWith('javascript:') ? '#' : to.url!
  const text = facts[to.fact!] ?? ''
  if (text === '') return '#'
  // Numbers of Ofcom's range for drama, 01632 960000 to 960999, as E.164 writes them.
  if (to.fact === 'phone') return `tel:+44${text.slice(1).replaceAll(' ', '')}`
  return to.fact === 'email' ? `mailto:${text}` : `https://www.openstreetmap.org/search?query=${encodeURIComponent(text)}`
}

/** The placeholder that an element of the file holds. */
function ofFile(element: P5.Element, type: string, page: string): Content {
  const at = new Map(element.attrs.map((a) => [a.name, a.value]))
  if (type === 'image') {
    const file = /([^/]+)\.\w+$/.exec(at.get('src') ?? '')?.[1] ?? ''
    return { children: [], attributes: { alt: at.get('alt') ?? '', file }, isEmpty: false }
  }
  if (type === 'rich') {
    const children = treesOf(element.childNodes)
    return { children, attributes: {}, isEmpty: wordsIn(children) === '' }
  }
  const words = wordsIn(treesOf(element.childNodes))
  if (type !== 'link') return { children: [words], attributes: {}, isEmpty: words === '' }
  const [, where = '', name = ''] = /^(page|fact):(.+)$/.exec(at.get('href') ?? '') ?? []
  const to = where === 'page' ? { type: where, page: name } : where ? { type: where, fact: name } : { type: 'url', url: at.get('href')! }
  return { children: [words], attributes: { href: hrefOf(to, page) }, isEmpty: words === '' }
}

const isElement = (node: P5.ChildNode): node is P5.Element => dom.isElementNode(node)
const attr = (element: P5.Element, name: string): string | undefined => element.attrs.find((a) => a.name === name)?.value

function wordsIn(children: readonly (Tree | string)[]): string {
  return children
    .map((child) => (typeof child === 'string' ? child : wordsIn(child[2])))
    .join('')
    .replaceAll(/\s+/g, ' ')
    .trim()
}

/** Nodes of a parsed page as plain trees, white space aside. */
function treesOf(nodes: readonly P5.ChildNode[]): (Tree | string)[] {
  return nodes.flatMap((node): (Tree | string)[] => {
    if (dom.isTextNode(node)) return tidy(node.value)
    if (!isElement(node)) return []
    return [[node.tagName, Object.fromEntries(node.attrs.map((a) => [a.name, a.value])), treesOf(node.childNodes)]]
  })
}

function tidy(text: string): string[] {
  const words = text.replaceAll(/\s+/g, ' ').trim()
  return words === '' ? [] : [words]
}

/** The elements of a slot in a part of a file; those of lists inside it are not its own. */
function slotsIn(element: P5.Element, into = new Map<string, P5.Element>()): Map<string, P5.Element> {
  const slot = attr(element, 'data-slot')
  if (slot !== undefined) into.set(slot, element)
  if (attr(element, 'data-list') === undefined) element.childNodes.filter(isElement).forEach((child) => slotsIn(child, into))
  return into
}

/** Long words tell designs that they are (docs/template-pack.md, “Long words”). */
function longClass(base: Record<string, string>, length: number, long: number, longer: number): Record<string, string> {
  return length < long ? {} : { class: `${base.class ?? ''} long${length < longer ? '' : ' longer'}`.trim() }
}

/** What a file must become: a second filling, written for this test alone. */
function expected(file: P5.Element, design: Design, tried: Try): Tree | null {
  const kind = KINDS[design.kind] as Record<string, string | { list: Record<string, string> }>
  const page = tried.page.id
  const own = slotsIn(file)
  const mark = (place: Place | null, isLeftover: boolean, isRich: boolean): Record<string, string> =>
    !tried.isSheet || !place
      ? {}
      : { 'data-place': placeKey(place), ...(isLeftover ? { 'data-basted': '' } : {}), ...(isRich ? { 'data-rich': '' } : {}) }
  type Entry = { readonly nth: number; readonly list: string; readonly raw: ReadonlyMap<string, P5.Element>; readonly shown: number }

  const contentOf = (slot: string, entry: Entry | null): { content: Content; isOwn: boolean; type: string } | null => {
    const of = entry ? (kind[entry.list] as { list: Record<string, string> }).list : kind
    const type = of[slot] as string
    const value = entry ? tried.items[entry.nth]?.[slot] : tried.slots[slot]
    const raw = (entry?.raw ?? own).get(slot)
    if (value) return { content: ofValue(value, page), isOwn: true, type }
    return raw ? { content: ofFile(raw, type, page), isOwn: false, type } : null
  }
  const isAbsent = (when: string, entry: Entry | null): boolean => {
    const [, fact] = /^fact:(.+)$/.exec(when) ?? []
    if (fact) return (facts[fact] ?? '') === ''
    return contentOf(when, entry)?.content.isEmpty ?? true
  }
  const children = (nodes: readonly P5.ChildNode[], entry: Entry | null, part: Row | null): (Tree | string)[] =>
    nodes.flatMap((node): (Tree | string)[] => {
      if (dom.isTextNode(node)) return tidy(node.value)
      const tree = isElement(node) ? fill(node, entry, part) : null
      return tree ? [tree] : []
    })
  const fill = (element: P5.Element, entry: Entry | null, part: Row | null): Tree | null => {
    const at = (name: string): string | undefined => attr(element, name)
    const when = at('data-when')
    if (when !== undefined && isAbsent(when, entry)) return null
    const base = Object.fromEntries(
      element.attrs.filter((a) => !/^(data-|href$|src$|alt$|sizes$)/.test(a.name)).map((a) => [a.name, a.value]),
    )
    const spoken = at('data-spoken')
    if (spoken !== undefined) base['aria-label'] = tried.labels[spoken] ?? at('aria-label')!
    const tag = element.tagName
    const inner = element.childNodes.filter(isElement)
    const slot = at('data-slot')
    const dir = (words: string): Record<string, string> => (/\p{Script=Hebrew}/u.test(words) ? { dir: 'auto' } : {})
    if (slot !== undefined) {
      const found = contentOf(slot, entry)
      if (!found || found.content.isEmpty) return null
      const ref: EntryRef | null = entry && { list: entry.list, nth: entry.nth }
      const marks = mark({ type: 'slot', section: tried.section, entry: ref, slot }, !found.isOwn, found.type === 'rich')
      const frames = at('data-ratio')?.split(' ') ?? []
      const frame = found.type === 'image' ? { frame: frames[(entry?.shown ?? 0) % frames.length] ?? '' } : {}
      const length = found.type === 'text' && /^h[12]$/.test(tag) ? wordsIn(found.content.children).length : 0
      return [
        tag,
        {
          ...base,
          ...longClass(base, length, 52, 96),
          ...found.content.attributes,
          ...frame,
          ...dir(wordsIn(found.content.children)),
          ...marks,
        },
        found.content.children,
      ]
    }
    const list = at('data-list')
    if (list !== undefined) {
      const place = mark({ type: 'slot', section: tried.section, entry: null, slot: list }, false, false)
      const entries = inner.map((raw, i) => fill(inner[0]!, { nth: i + 1, list, raw: slotsIn(raw), shown: i }, null))
      return [tag, { ...base, ...place }, entries.filter((tree) => tree !== null)]
    }
    const each = at('data-each')
    if (each !== undefined) {
      const place = each === 'hours' || each === 'socials' ? ({ type: 'fact', fact: each } as Place) : null
      const rows = rowsOf(each, page).map((row) => fill(inner[0]!, entry, row)!)
      return [tag, { ...base, ...mark(place, each === 'hours' && tried.facts.hours === undefined, false) }, rows]
    }
    const name = at('data-part')
    if (name !== undefined) return [tag, { ...base, ...part![name]!.extra }, [part![name]!.text]]
    const fact = at('data-logo') === undefined ? at('data-fact') : 'name'
    if (fact !== undefined) {
      const text = facts[fact] ?? ''
      if (text === '') return null
      const href =
        tag !== 'a'
          ? {}
          : { href: at('data-logo') === undefined ? hrefOf({ type: 'fact', fact }, page) : hrefOf({ type: 'page', page: 'home' }, page) }
      const of = fact === 'locality' ? 'address' : fact
      const lines: (Tree | string)[] =
        fact !== 'address'
          ? [text]
          : text.split(', ').flatMap((line, i, all) => (i < all.length - 1 ? [`${line},`, ['br', {}, []] as Tree] : [line]))
      const isLeftover = (tried.facts as Record<string, unknown>)[of] === undefined
      const long = at('data-logo') === undefined ? {} : longClass(base, text.length, 30, 56)
      return [tag, { ...base, ...long, ...href, ...dir(text), ...mark({ type: 'fact', fact: of } as Place, isLeftover, false) }, lines]
    }
    const label = at('data-label')
    if (label !== undefined) {
      const words = wordsIn(treesOf(element.childNodes))
      const said = tried.labels[label]
      return [tag, { ...base, ...mark({ type: 'label', label }, said === undefined && !PLAIN.includes(words), false) }, [said ?? words]]
    }
    return [tag, base, children(element.childNodes, entry, part)]
  }
  return fill(file, null, null)
}

/** Words of labels that are not the template's own but what anybody says. */
const PLAIN = ['Menu', 'Close', 'Telephone', 'Email', 'Address', 'Open']

type Row = Readonly<Record<string, { readonly text: string; readonly extra?: Record<string, string> }>>
type JsonPage = { readonly key: string; readonly name: string; readonly segment: string; readonly menu?: string }
const TALLOW = JSON.parse(readFileSync(path.join(DESIGNS, '../tallow/template.json'), 'utf8')) as {
  readonly pages: readonly JsonPage[]
  readonly facts: Record<string, never>
}
const JSON_PAGES = TALLOW.pages

function rowsOf(each: string, page: string): Row[] {
  if (each === 'socials')
    return facts.socials ? [{ profile: { text: 'example.social/client', extra: { href: facts.socials, rel: 'me' } } }] : []
  if (each === 'hours')
    return [
      { days: { text: 'Mon – Tue' }, times: { text: '9:00 – 17:30' } },
      { days: { text: 'Wed' }, times: { text: '9:00 – 12:00, 13:00 – 24:00' } },
      { days: { text: 'Thu – Sun' }, times: { text: 'closed', extra: { class: 'closed' } } },
    ]
  return JSON_PAGES.filter((p) => (p.menu === undefined ? 'menu' : p.menu) === each).map((p) => ({
    page: {
      text: p.name,
      extra: { href: hrefOf({ type: 'page', page: p.key }, page), ...(p.key === page ? { 'aria-current': 'page' } : {}) },
    },
  }))
}

const OPEN = { opens: '09:00', closes: '17:30' }
const HOURS = {
  mon: [OPEN],
  tue: [OPEN],
  wed: [
    { opens: '09:00', closes: '12:00' },
    { opens: '13:00', closes: '24:00' },
  ],
  thu: [],
  fri: [],
  sat: [],
  sun: [],
}

function someFacts(): Facts {
  const address = { street: '3 Weir Lane', locality: 'Aldermere', postcode: 'AM1 1AA', country: 'GB' }
  return {
    name: oneOf(['Client & <Sons>', 'לקוח', 'Clients whose name is of a good length']),
    hours: HOURS,
    ...(chance(0.5) ? { phone: oneOf(['01632 960 111', '']) } : {}),
    ...(chance(0.5) ? { email: 'client@client.example' } : {}),
    ...(chance(0.5) ? { tagline: '' } : {}),
    ...(chance(0.5) ? { address } : {}),
    ...(chance(0.5) ? { socials: ['https://www.example.social/client/'] } : {}),
  } as Facts
}

/** A section of a design alone on a page, with something in every other place. */
function someTry(design: Design): Try {
  const given = someFacts()
  const isSheet = chance(0.5)
  const start = makeDocument(getTemplate(testPack(), 'tallow'), given, {})
  const page = findPage(start, oneOf(['home', 'about']))!
  const where = design.kind === 'header' || design.kind === 'footer' ? { type: design.kind } : { type: 'page' as const, page: page.id }
  const id = 'tried' as SectionId
  const section = { id, in: where, rank: 'a0', kind: design.kind, design: design.name, tone: 'tint', origin: null, slots: {} } as Section
  const kind = KINDS[design.kind] as Record<string, string | { list: Record<string, string> }>
  const slots: Record<string, SlotValue> = {}
  const items: Record<number, Record<string, SlotValue>> = {}
  for (const [slot, type] of Object.entries(kind)) {
    if (typeof type === 'string') {
      const value = chance(0.5) ? someValue(type) : null
      if (value) slots[slot] = value
    } else
      design.placeholders.lists[slot]?.forEach((_, i) => {
        for (const [field, of] of Object.entries(type.list)) {
          const value = chance(0.4) ? someValue(of) : null
          if (value) (items[i + 1] ??= {})[field] = value
        }
      })
  }
  const bare = { ...start, sections: { [id]: section } }
  const labels = chance(0.5) ? { telephone: 'Anrufen & fragen', open: 'Da', pages: 'Seiten', menu: 'Auf' } : {}
  const document = edited(
    bare,
    ...Object.entries(labels).map(([label, text]) => ({ type: 'label/set' as const, label, value: { text } })),
    ...Object.entries(slots).map(([slot, value]) => setSlot(id, slot, value)),
    ...Object.entries(items).flatMap(([nth, fields]) =>
      Object.entries(fields).map(([slot, value]) => setSlot(id, slot, value, { list: 'items', nth: Number(nth) })),
    ),
  )
  const site: Site = { document, pack: testPack(), assets: testAssets(), mode: isSheet ? 'sheet' : 'release' }
  return { site, page, section: id, slots, items, facts: given, labels, isSheet }
}

const FILES = {
  origin: 'https://client.example',
  stylesheet: 's.css',
  preloads: [],
  icons: { svg: 'a', ico: 'b', touch: 'c', manifest: 'd' },
}

/** The section as it is written, its pictures by name and frame alone. */
function written({ site, page, isSheet, section }: Try): Tree | null {
  const html = isSheet
    ? (
        Object.values(makeSheetPainter()(site, page)).flatMap((part) => (Array.isArray(part) ? part : [])) as { id: string; html: string }[]
      ).find((s) => s.id === section)!.html
    : renderPage(site, page, FILES).html.replace(/^[\s\S]*?<body>|<\/body>[\s\S]*$/g, '')
  const found = treesOf(parseFragment(html).childNodes)
  const search = (trees: readonly (Tree | string)[]): Tree | null => {
    for (const tree of trees) {
      if (typeof tree === 'string') continue
      if ((tree[1].class ?? '').split(' ').includes('tone-tint')) return tree
      const deeper = search(tree[2])
      if (deeper) return deeper
    }
    return null
  }
  const pictures = ([tag, at, inner]: Tree): Tree => {
    const { src, srcset: _, sizes: __, width: ___, height: ____, loading: _____, decoding: ______, fetchpriority: _______, ...rest } = at
    const [, media, frame] = /^\/media\/[^/]*%2F(\w[\w-]*?)\.\w+\/([^/]+)\//.exec(src ?? '') ?? []
    const [, name, ratio] = /pictures\/([\w-]+?)-abababab(?:-(\d+(?:x\d+)+)-\d+-\d+)?(?:-\d+)?\.\w+$/.exec(src ?? '') ?? []
    const told =
      src === undefined ? {} : { file: media ?? name ?? '', frame: (frame === 'whole' ? '' : (frame ?? ratio ?? '')).replace('x', ':') }
    return [tag, { ...rest, ...told }, inner.map((child) => (typeof child === 'string' ? child : pictures(child)))]
  }
  const tree = search(found)
  return tree && pictures(tree)
}

test.each(Object.values(testPack().designs).map((design) => [designKey(design.kind, design.name), design] as const))(
  'the design %s with a client’s content is its own file with that content in it, published and on a sheet',
  (_, design) => {
    const html = readFileSync(path.join(DESIGNS, design.kind, `${design.name}.html`), 'utf8')
    const [file] = parseFragment(html).childNodes.filter(isElement)
    next = random(77)
    const seen = new Set<string>()
    for (let i = 0; i < 12; i++) {
      const tried = someTry(design)
      const { address } = tried.facts
      facts = {
        ...TALLOW.facts,
        ...(tried.facts as Record<string, never>),
        address: address ? '3 Weir Lane, Aldermere AM1 1AA' : '4 Ropewalk Yard, Aldermere AM2 4QT',
        locality: address ? 'Aldermere' : 'Aldermere',
        socials: tried.facts.socials?.[0] ?? '',
        hours: 'there are some',
      }
      const [tag, attributes, inner] = expected(file!, design, tried)!
      const marks = tried.isSheet ? { 'data-section': 'tried' } : {}
      const root: Tree = [tag, { ...attributes, class: `${attributes.class} tone-tint`, ...marks }, inner]
      const isNothing = wordsIn(inner) === '' && !JSON.stringify(inner).includes('"file"')
      if (!isNothing) expect(tidied(written(tried)!)).toEqual(tidied(root))
      seen.add(JSON.stringify(root))
    }
    expect(seen.size).toBeGreaterThan(3)
  },
)

/** Neighbouring words as one, however they came. */
function tidied([tag, attributes, inner]: Tree): Tree {
  const children: (Tree | string)[] = []
  for (const child of inner) {
    const last = children.at(-1)
    if (typeof child !== 'string') children.push(tidied(child))
    else if (typeof last === 'string') children[children.length - 1] = tidy(`${last} ${child}`)[0] ?? ''
    else children.push(...tidy(child))
  }
  return [tag, attributes, children]
}
