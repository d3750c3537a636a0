import * as csstree from 'css-tree'
import type { PackFault } from './fault'

/**
 * Faults in a design's CSS: anything fetched, a colour written out where a token belongs, or a rule that reaches
 * outside the design's own element. All is decided on the parsed tree, custom properties too.
 */
export function checkDesignCss(file: string, css: string, className: string): PackFault[] {
  const much = tooMuchCss(css)
  if (much) return [{ file, line: 0, fault: much }]
  const { faults, ast, add } = parse(file, css)
  csstree.walk(ast, function (node) {
    const fault = atruleFault(node, 'design') ?? (this.declaration ? valueFault(node, this.declaration.property) : propertyFault(node))
    if (fault) add(node, fault)
    if (leavesItsPlace(node) && !className.startsWith('header-'))
      add(node, 'Only a header’s menu may be fixed to the window; a section keeps to its place on the page.')
    if (node.type === 'Rule' && this.atrule?.name !== 'keyframes' && node.prelude.type === 'SelectorList') {
      node.prelude.children
        .filter((selector) => !staysInside(selector, className))
        .forEach((selector) => add(selector, `A rule must begin with .${className} and stay inside it; this one reaches other sections.`))
    }
  })
  return faults
}

/** The most that a style sheet of a pack may be; the largest shipped one has 4 kB and 30 rules. */
const MOST_CSS = 128 * 1024
const MOST_RULES = 1500
const MOST_PROPERTIES = 6000

/** Why a style sheet is too much to be read; null where it is not. Counted before it is parsed. */
function tooMuchCss(css: string): string | null {
  if (css.length > MOST_CSS) return `It holds more than ${MOST_CSS / 1024} kB; a style sheet of a pack is a few.`
  if (countOf(css, '{') > MOST_RULES) return `It holds more than ${MOST_RULES} rules.`
  if (countOf(css, ':') > MOST_PROPERTIES) return `It holds more than ${MOST_PROPERTIES} declarations.`
  return null
}

function countOf(text: string, sign: string): number {
  let count = 0
  for (let at = text.indexOf(sign); at >= 0; at = text.indexOf(sign, at + 1)) count++
  return count
}

function leavesItsPlace(node: csstree.CssNode): boolean {
  return node.type === 'Declaration' && plain(node.property) === 'position' && /\bfixed\b/i.test(csstree.generate(node.value))
}

/** A name as browsers read it: an escape in it stands for its character (CSS Syntax 3, 4.3.7). */
function plain(name: string): string {
  return csstree.ident.decode(name).toLowerCase()
}

function parse(file: string, css: string) {
  const faults: PackFault[] = []
  const ast = csstree.parse(css, {
    positions: true,
    parseCustomProperty: true,
    onParseError: (error) => faults.push({ file, line: (error as { line?: number }).line ?? 0, fault: `Not valid CSS: ${error.message}.` }),
  })
  const add = (node: csstree.CssNode, fault: string): void => void faults.push({ file, line: node.loc?.start.line ?? 0, fault })
  return { faults, ast, add }
}

/** Tokens that designs of any template rely on: a template's own CSS defines every one. */
const TOKENS = [
  '--step--1',
  '--step-0',
  '--step-1',
  '--step-2',
  '--step-3',
  '--step-4',
  '--step-5',
  '--rise',
  '--gutter',
  '--edge',
  '--gap',
  '--measure',
]

/** Faults in a template's CSS: anything fetched, a colour written out, or a token that designs need and that is not there. */
export function checkTemplateCss(file: string, css: string): PackFault[] {
  const much = tooMuchCss(css)
  if (much) return [{ file, line: 0, fault: much }]
  const missing = new Set(TOKENS)
  const { faults, ast, add } = parse(file, css)
  csstree.walk(ast, function (node) {
    if (node.type === 'Declaration') missing.delete(node.property)
    const fault = atruleFault(node, 'template') ?? (this.declaration ? valueFault(node, this.declaration.property) : propertyFault(node))
    if (fault) add(node, fault)
  })
  return [
    ...faults,
    ...[...missing].map((token) => ({ file, line: 0, fault: `The length ${token} is not defined; designs of every template use it.` })),
  ]
}

const ATRULES = new Set(['media', 'supports', 'container', 'keyframes'])

function atruleFault(node: csstree.CssNode, what: string): string | null {
  return node.type === 'Atrule' && !ATRULES.has(plain(node.name)) ? `@${node.name} is not allowed in a ${what}.` : null
}

const FETCHED = 'A pack fetches nothing: pictures belong in slots.'
/** Functions that name a file or paint one (CSS Images 4); what they take may be a plain string. */
const FETCHING = /^(-webkit-)?(url|src|image-set|image|cross-fade|element|paint)$/
/** Functions that reckon, lay out, or draw with tokens; every other is refused. */
const FUNCTIONS = new Set(
  (
    'var calc min max clamp minmax repeat fit-content round mod rem abs sign sqrt pow hypot sin cos tan counter counters attr env ' +
    'linear-gradient radial-gradient conic-gradient repeating-linear-gradient repeating-radial-gradient repeating-conic-gradient ' +
    'blur brightness contrast drop-shadow grayscale hue-rotate invert opacity saturate sepia ' +
    'translate translatex translatey translatez translate3d scale scalex scaley scale3d rotate rotatex rotatey rotatez rotate3d ' +
    'skew skewx skewy matrix matrix3d perspective cubic-bezier steps linear polygon circle ellipse inset rect xywh path ray'
  ).split(' '),
)
/** Functions that make a colour (CSS Color 5). Tones and contrast are reckoned from tokens, so no other colour may come in. */
const COLOURING = /^(rgba?|hsla?|oklch|oklab|lch|lab|hwb|color|color-mix|contrast-color|device-cmyk|light-dark)$/
/** Properties whose names are no colours, though a word in them may sound like one. */
const NAMING = new Set(
  [
    'font font-family animation animation-name transition transition-property will-change container container-name content quotes',
    'grid grid-area grid-row grid-column grid-template grid-template-areas grid-template-rows grid-template-columns',
    'grid-row-start grid-row-end grid-column-start grid-column-end counter-reset counter-increment counter-set list-style',
    'list-style-type view-transition-name anchor-name position-anchor',
  ].flatMap((names) => names.split(' ')),
)

/** What no value may be: an address, or a colour written out. */
function valueFault(node: csstree.CssNode, property: string): string | null {
  const colour = (words: string): string => `The colour ${words} is written out; use a token such as var(--mark).`
  if (node.type === 'Url') return FETCHED
  if (node.type === 'Raw' && node.value.trim() !== '') return 'This part cannot be read as CSS.'
  const name = node.type === 'Function' ? plain(node.name) : ''
  if (FETCHING.test(name)) return FETCHED
  if (node.type === 'Hash') return colour(`#${node.value}`)
  if (COLOURING.test(name)) return colour(`${name}()`)
  if (node.type === 'Function' && !FUNCTIONS.has(name)) return `The function ${name}() has no place in a pack.`
  if (node.type === 'Identifier' && !NAMING.has(plain(property)) && isColourName(node)) return colour(`“${node.name}”`)
  return null
}

/** A declaration of what CSS does not know, or of a file. */
function propertyFault(node: csstree.CssNode): string | null {
  if (node.type !== 'Declaration' || node.property.startsWith('--')) return null
  const name = plain(node.property)
  return name === 'src' || csstree.lexer.matchProperty(name, 'inherit').error?.name === 'SyntaxReferenceError'
    ? `The property ${name} is not known to CSS.`
    : null
}

/** A name of a colour or of the system's by css-tree's own tables; what says “as around it” or “none” is no colour. */
function isColourName(node: csstree.Identifier): boolean {
  return ['named-color', 'system-color', 'deprecated-system-color'].some((type) => csstree.lexer.matchType(type, node).error === null)
}

/** Whether a selector begins at the design's own element and goes into it: not on to what stands beside it. */
function staysInside(selector: csstree.CssNode, className: string): boolean {
  if (selector.type !== 'Selector') return false
  const { first } = selector.children
  if (first?.type !== 'ClassSelector' || first.name !== className) return false
  const way = selector.children.toArray().find((part) => part.type === 'Combinator')
  return way?.type !== 'Combinator' || way.name === ' ' || way.name === '>'
}
