import * as csstree from 'css-tree'
import type { PackFault } from './fault'

/**
 * Faults in a design's CSS: anything fetched, a colour written out where a token belongs, or a rule that reaches
 * outside the design's own element. All is decided on the parsed tree, custom properties too.
 */
export function checkDesignCss(file: string, css: string, className: string): PackFault[] {
  const { faults, ast, add } = parse(file, css)
  csstree.walk(ast, function (node) {
    const fault = atruleFault(node, 'design') ?? (this.declaration ? valueFault(node, this.declaration.property) : null)
    if (fault) add(node, fault)
    if (node.type === 'Rule' && this.atrule?.name !== 'keyframes' && node.prelude.type === 'SelectorList') {
      node.prelude.children
        .filter((selector) => !staysInside(selector, className))
        .forEach((selector) => add(selector, `A rule must begin with .${className} and stay inside it; this one reaches other sections.`))
    }
  })
  return faults
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
  const missing = new Set(TOKENS)
  const { faults, ast, add } = parse(file, css)
  csstree.walk(ast, function (node) {
    if (node.type === 'Declaration') missing.delete(node.property)
    const fault = atruleFault(node, 'template') ?? (this.declaration ? valueFault(node, this.declaration.property) : null)
    if (fault) add(node, fault)
  })
  return [
    ...faults,
    ...[...missing].map((token) => ({ file, line: 0, fault: `The length ${token} is not defined; designs of every template use it.` })),
  ]
}

const ATRULES = new Set(['media', 'supports', 'container', 'keyframes'])

function atruleFault(node: csstree.CssNode, what: string): string | null {
  return node.type === 'Atrule' && !ATRULES.has(node.name.toLowerCase()) ? `@${node.name} is not allowed in a ${what}.` : null
}

const FETCHED = 'A pack fetches nothing: pictures belong in slots.'
/** Functions that name a file or paint one (CSS Images 4); what they take may be a plain string. */
const FETCHING = /^(-webkit-)?(url|src|image-set|image|cross-fade|element|paint)$/i
/** Functions that make a colour (CSS Color 5). Tones and contrast are reckoned from tokens, so no other colour may come in. */
const COLOURING = /^(rgba?|hsla?|oklch|oklab|lch|lab|hwb|color|color-mix|contrast-color|device-cmyk|light-dark)$/i
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
  if (node.type === 'Function' && FETCHING.test(node.name)) return FETCHED
  if (node.type === 'Hash') return colour(`#${node.value}`)
  if (node.type === 'Function' && COLOURING.test(node.name)) return colour(`${node.name}()`)
  if (node.type === 'Identifier' && !NAMING.has(property.toLowerCase()) && isColourName(node)) return colour(`“${node.name}”`)
  return null
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
