import * as csstree from 'css-tree'
import type { PackFault } from './fault'

/**
 * Faults in a design's CSS: anything fetched, a colour written out where a token belongs, or a rule that reaches
 * outside the design's own element.
 */
export function checkDesignCss(file: string, css: string, className: string): PackFault[] {
  const faults: PackFault[] = []
  const add = (node: csstree.CssNode, fault: string): void => { faults.push({ file, line: node.loc?.start.line ?? 0, fault }) }
  const ast = csstree.parse(css, {
    positions: true,
    onParseError: (error) => faults.push({ file, line: (error as { line?: number }).line ?? 0, fault: `Not valid CSS: ${error.message}.` }),
  })
  csstree.walk(ast, function (node) {
    if (node.type === 'Atrule' && !['media', 'supports', 'container', 'keyframes'].includes(node.name)) add(node, `@${node.name} is not allowed in a design.`)
    if (node.type === 'Url') add(node, 'A design fetches nothing: pictures belong in slots.')
    if (node.type === 'Hash') add(node, `The colour #${node.value} is written out; use a token such as var(--accent).`)
    if (node.type === 'Function' && /^(rgba?|hsla?|oklch|oklab|lch|lab|hwb|color)$/i.test(node.name)) add(node, `The colour ${node.name}() is written out; use a token such as var(--accent).`)
    if (node.type === 'Rule' && !insideKeyframes(this) && node.prelude.type === 'SelectorList') {
      node.prelude.children.filter((selector) => !startsWithClass(selector, className)).forEach((selector) => add(selector, `A rule must begin with .${className}; this one reaches other sections.`))
    }
  })
  return faults
}

function insideKeyframes(context: csstree.WalkContext): boolean {
  return context.atrule?.name === 'keyframes'
}

function startsWithClass(selector: csstree.CssNode, className: string): boolean {
  const first = selector.type === 'Selector' ? selector.children.first : null
  return first?.type === 'ClassSelector' && first.name === className
}
