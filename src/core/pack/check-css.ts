import * as csstree from 'css-tree'
import type { PackFault } from './fault'

/**
 * Faults in a design's CSS: anything fetched, a colour written out where a token belongs, or a rule that reaches
 * outside the design's own element.
 */
export function checkDesignCss(file: string, css: string, className: string): PackFault[] {
  const faults: PackFault[] = []
  const add = (node: csstree.CssNode, fault: string): void => {
    faults.push({ file, line: node.loc?.start.line ?? 0, fault })
  }
  const ast = csstree.parse(css, {
    positions: true,
    onParseError: (error) => faults.push({ file, line: (error as { line?: number }).line ?? 0, fault: `Not valid CSS: ${error.message}.` }),
  })
  csstree.walk(ast, function (node) {
    if (node.type === 'Atrule' && !['media', 'supports', 'container', 'keyframes'].includes(node.name))
      add(node, `@${node.name} is not allowed in a design.`)
    const fault = valueFault(node)
    if (fault) add(node, fault)
    if (node.type === 'Rule' && !insideKeyframes(this) && node.prelude.type === 'SelectorList') {
      node.prelude.children
        .filter((selector) => !startsWithClass(selector, className))
        .forEach((selector) => add(selector, `A rule must begin with .${className}; this one reaches other sections.`))
    }
  })
  return faults
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
  const faults: PackFault[] = []
  const missing = new Set(TOKENS)
  const ast = csstree.parse(css, {
    positions: true,
    onParseError: (error) => faults.push({ file, line: (error as { line?: number }).line ?? 0, fault: `Not valid CSS: ${error.message}.` }),
  })
  csstree.walk(ast, (node) => {
    if (node.type === 'Declaration') missing.delete(node.property)
    const fault =
      node.type === 'Atrule' && !['media', 'supports', 'container', 'keyframes'].includes(node.name)
        ? `@${node.name} is not allowed in a template.`
        : valueFault(node)
    if (fault) faults.push({ file, line: node.loc?.start.line ?? 0, fault })
  })
  return [
    ...faults,
    ...[...missing].map((token) => ({ file, line: 0, fault: `The length ${token} is not defined; designs of every template use it.` })),
  ]
}

/** What no value may be: an address, or a colour written out. */
function valueFault(node: csstree.CssNode): string | null {
  if (node.type === 'Url') return 'A pack fetches nothing: pictures belong in slots.'
  if (node.type === 'Hash') return `The colour #${node.value} is written out; use a token such as var(--mark).`
  if (node.type === 'Function' && /^(rgba?|hsla?|oklch|oklab|lch|lab|hwb|color)$/i.test(node.name))
    return `The colour ${node.name}() is written out; use a token such as var(--mark).`
  return null
}

function insideKeyframes(context: csstree.WalkContext): boolean {
  return context.atrule?.name === 'keyframes'
}

function startsWithClass(selector: csstree.CssNode, className: string): boolean {
  const first = selector.type === 'Selector' ? selector.children.first : null
  return first?.type === 'ClassSelector' && first.name === className
}
