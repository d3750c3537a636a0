import { CHIP_FACTS, type ChipFact, type LinkTarget, type RichBlock, type RichRun, type RichText } from '../site'
import { parseTargetText } from './target-text'
import { finishRich } from './tidy'

/** An element of whatever reads HTML: parse5 on the server and in packs, the browser's own reader on a screen. */
export type HtmlElement = {
  readonly tag: string
  readonly attribute: (name: string) => string | null
  readonly children: readonly HtmlNode[]
}
export type HtmlNode = string | HtmlElement

type Setting = Pick<RichRun, 'strong' | 'em' | 'to'> & { readonly small?: true }
type Shape = Omit<RichBlock, 'runs'>
type Reading = {
  readonly blocks: RichBlock[]
  runs: RichRun[]
  areSmall: boolean[]
  readonly targetOf: (href: string) => LinkTarget | null
}

/** What holds no words for anybody. */
const SILENT = new Set(
  (
    'script style head title meta link template noscript svg math iframe object embed applet audio video canvas ' +
    'select textarea button input o:p xml'
  ).split(' '),
)
const BLOCKS = new Set(
  (
    'p div section article main header footer aside nav address h1 h2 h3 h4 h5 h6 blockquote ul ol li dl dt dd figure figcaption ' +
    'table thead tbody tfoot tr caption pre hr form fieldset details summary center'
  ).split(' '),
)
const STRONG = new Set(['strong', 'b'])
const EM = new Set(['em', 'i', 'cite', 'dfn'])

/**
 * The rich text that HTML says: word processors', mail's, other pages' and our own. Headings of every rank are sub-headings; lists keep
 * how they lie in one another and whether they are counted; what is only looks, and whatever runs or is hidden, is left out; a link that
 * leads nowhere safe keeps its words. `targetOf` says where an address leads, or null.
 */
export function richFromNodes(nodes: readonly HtmlNode[], targetOf: (href: string) => LinkTarget | null): RichText {
  const reading: Reading = { blocks: [], runs: [], areSmall: [], targetOf }
  readNodes(reading, nodes, { type: 'p' }, {})
  close(reading, { type: 'p' })
  return finishRich(reading.blocks)
}

function readNodes(reading: Reading, nodes: readonly HtmlNode[], shape: Shape, setting: Setting): void {
  for (const node of nodes) {
    if (typeof node === 'string') put(reading, node.replaceAll('\ufeff', '').replace(/[ \t\n\f\r]+/g, ' '), setting)
    else if (isSilent(node)) continue
    else if (node.tag === 'br') put(reading, '\n', setting)
    else if (BLOCKS.has(node.tag)) readBlock(reading, node, shape, setting)
    else if (node.tag === 'td' || node.tag === 'th') readCell(reading, node, shape, setting)
    else readInline(reading, node, shape, setting)
  }
}

function isSilent(node: HtmlElement): boolean {
  return SILENT.has(node.tag) || /display:\s*none|mso-hide:\s*all|mso-list:\s*ignore/i.test(node.attribute('style') ?? '')
}

function put({ runs, areSmall }: Reading, text: string, { small, ...style }: Setting): void {
  if (text === '') return
  runs.push({ text, ...style })
  if (text.trim() !== '') areSmall.push(small === true)
}

/** A chip, a link, or words that are set in some way. */
function readInline(reading: Reading, node: HtmlElement, shape: Shape, setting: Setting): void {
  const { small: _, ...style } = setting
  const fact = node.attribute('data-chip')
  if (fact !== null && (CHIP_FACTS as readonly string[]).includes(fact)) {
    reading.areSmall.push(setting.small === true)
    return void reading.runs.push({ fact: fact as ChipFact, ...style })
  }
  const to = node.tag === 'a' ? targetOfLink(reading, node) : null
  readNodes(reading, node.children, shape, { ...settingOf(node, setting), ...(to && { to }) })
}

function targetOfLink({ targetOf }: Reading, node: HtmlElement): LinkTarget | null {
  const own = node.attribute('data-to')
  return own === null ? targetOf(node.attribute('href')?.trim() ?? '') : parseTargetText(own)
}

function settingOf(node: HtmlElement, setting: Setting): Setting {
  const css = node.attribute('style') ?? ''
  const weight = /font-weight:\s*([a-z]+|\d+)/i.exec(css)?.[1]
  const slope = /font-style:\s*([a-z]+)/i.exec(css)?.[1]
  const isStrong = weight === undefined ? STRONG.has(node.tag) || setting.strong : /^bold/i.test(weight) || Number(weight) >= 600
  const isEm = slope === undefined ? EM.has(node.tag) || setting.em : /^(italic|oblique)/i.test(slope)
  const { strong: _s, em: _e, ...rest } = setting
  return { ...rest, ...(isStrong && { strong: true }), ...(isEm && { em: true }), ...(node.tag === 'small' && { small: true }) }
}

function readBlock(reading: Reading, node: HtmlElement, shape: Shape, setting: Setting): void {
  close(reading, shape)
  const inner = shapeOf(node, shape)
  if (node.tag === 'ul' || node.tag === 'ol') readList(reading, node, shape, setting)
  else readNodes(reading, node.children, inner, settingOf(node, setting))
  close(reading, inner)
}

const isHeading = (node: HtmlElement): boolean => /^h[1-6]$/.test(node.tag) || /\bMso(?:Title|Heading)/.test(node.attribute('class') ?? '')

function shapeOf(node: HtmlElement, outer: Shape): Shape {
  const set = setOf(node, outer)
  if (isHeading(node)) return { type: 'heading', ...set }
  if (node.tag === 'blockquote') return { type: 'quote', ...set }
  return wordListShape(node, set) ?? { ...outer, ...set }
}

/** Alignment and direction that an element says, else those it stands in. */
function setOf(node: HtmlElement, outer: Shape): Pick<RichBlock, 'align' | 'dir'> {
  const css = /text-align:\s*(center|right|end|left|start|justify)/i.exec(node.attribute('style') ?? '')?.[1]
  const said = (css ?? node.attribute('data-align') ?? node.attribute('align') ?? (node.tag === 'center' ? 'center' : '')).toLowerCase()
  const align = said === 'center' ? 'center' : said === 'right' || said === 'end' ? 'end' : said === '' ? outer.align : undefined
  const dir = /^(ltr|rtl)$/.exec(node.attribute('dir') ?? '')?.[0] as 'ltr' | 'rtl' | undefined
  const set = dir ?? outer.dir
  return { ...(align && { align }), ...(set && { dir: set }) }
}

/** An entry as word processors write it: a paragraph that says which list and level it is of, its bullet or number as hidden words. */
function wordListShape(node: HtmlElement, set: Pick<RichBlock, 'align' | 'dir'>): Shape | null {
  const parts = (node.attribute('style') ?? '').toLowerCase().split(';')
  const level = /level(\d)/.exec(parts.find((part) => part.trim().startsWith('mso-list:')) ?? '')?.[1]
  if (level === undefined) return null
  return { type: 'li', ...entryShape(Number(level) - 1, /^\s*[\da-z]{1,4}[.)]/i.test(hiddenWords(node))), ...set }
}

function hiddenWords(node: HtmlElement): string {
  const isMark = /mso-list:\s*ignore/i.test(node.attribute('style') ?? '')
  return node.children
    .map((child) => (typeof child === 'string' ? (isMark ? child : '') : isMark ? wordsOf(child) : hiddenWords(child)))
    .join('')
}

function wordsOf(node: HtmlNode): string {
  return typeof node === 'string' ? node : node.children.map(wordsOf).join('')
}

function entryShape(depth: number, number: boolean): Pick<RichBlock, 'depth' | 'number'> {
  const kept = Math.min(Math.max(depth, 0), 2) as 0 | 1 | 2
  return { ...(kept > 0 && { depth: kept as 1 | 2 }), ...(number && { number: true }) }
}

function readList(reading: Reading, list: HtmlElement, outer: Shape, setting: Setting): void {
  const depth = outer.type === 'li' ? (outer.depth ?? 0) + 1 : 0
  const { align, dir } = setOf(list, outer)
  const shape: Shape = { type: 'li', ...entryShape(depth, list.tag === 'ol'), ...(align && { align }), ...(dir && { dir }) }
  for (const node of list.children) {
    if (typeof node === 'string') continue
    // Some word processors put a list that lies in another beside the entry that it belongs to.
    if (node.tag === 'ul' || node.tag === 'ol') readList(reading, node, shape, setting)
    else readBlock(reading, { ...node, tag: 'div' }, shape, setting)
  }
}

/** Cells of a row stand one after another. */
function readCell(reading: Reading, node: HtmlElement, shape: Shape, setting: Setting): void {
  const flat = node.children.flatMap((child): readonly HtmlNode[] =>
    typeof child === 'string' || !BLOCKS.has(child.tag) ? [child] : [' ', ...child.children, ' '],
  )
  if (reading.runs.length > 0) put(reading, ' – ', {})
  readNodes(reading, flat, shape, settingOf(node, setting))
}

/** Ends a block. */
function close(reading: Reading, shape: Shape): void {
  const { runs, areSmall, blocks } = reading
  const isSmall = shape.type === 'p' && areSmall.length > 0 && areSmall.every(Boolean)
  blocks.push({ ...shape, type: isSmall ? 'small' : shape.type, runs })
  reading.runs = []
  reading.areSmall = []
}
