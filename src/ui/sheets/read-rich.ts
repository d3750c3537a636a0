import type { RichBlock, RichRun, RichText } from '@/core/site'

/** What a person typed into a rich slot on a sheet, as paragraphs, entries and runs; anything else is taken as its text. */
export function readRich(element: Element): RichText {
  const blocks: RichBlock[] = []
  let loose: RichRun[] = []
  const closeLoose = (): void => {
    if (loose.some((run) => run.text.trim() !== '')) blocks.push({ type: 'p', runs: tidy(loose) })
    loose = []
  }
  for (const node of element.childNodes) {
    if (node instanceof Object && isBlock(node)) {
      closeLoose()
      const inner = node as Element
      if (inner.tagName === 'UL' || inner.tagName === 'OL')
        for (const li of inner.children) blocks.push({ type: 'li', runs: tidy(readRuns(li, {})) })
      else blocks.push({ type: 'p', runs: tidy(readRuns(inner, {})) })
    } else if (node.nodeName === 'BR') closeLoose()
    else loose.push(...readRuns(node, {}))
  }
  closeLoose()
  return blocks.length === 1 && blocks[0]?.runs.length === 0 ? [] : blocks
}

const BLOCKS = new Set(['P', 'DIV', 'UL', 'OL', 'LI', 'H1', 'H2', 'H3', 'H4', 'BLOCKQUOTE', 'SECTION', 'ARTICLE'])

function isBlock(node: Node): boolean {
  return BLOCKS.has(node.nodeName)
}

function readRuns(node: Node, style: Omit<RichRun, 'text'>): RichRun[] {
  if (node.nodeType === 3) return node.nodeValue ? [{ text: node.nodeValue.replace(/\s+/g, ' '), ...style }] : []
  if (node.nodeName === 'SCRIPT' || node.nodeName === 'STYLE') return []
  const name = node.nodeName
  const href = name === 'A' ? (node as Element).getAttribute('href') : null
  const inner: Omit<RichRun, 'text'> =
    name === 'STRONG' || name === 'B'
      ? { ...style, strong: true }
      : name === 'EM' || name === 'I'
        ? { ...style, em: true }
        : href
          ? { ...style, href }
          : style
  return [...node.childNodes].flatMap((child) => readRuns(child, inner))
}

/** Neighbouring runs of one style become one; a trailing space left by the browser goes. */
function tidy(runs: readonly RichRun[]): RichRun[] {
  const out: RichRun[] = []
  for (const run of runs) {
    const last = out.at(-1)
    if (last && last.strong === run.strong && last.em === run.em && last.href === run.href)
      out[out.length - 1] = { ...last, text: last.text + run.text }
    else out.push(run)
  }
  return out
}
