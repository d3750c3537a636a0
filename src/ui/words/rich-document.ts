import type { JSONContent } from '@tiptap/core'
import type { Node } from '@tiptap/pm/model'
import { partsOf, tidyRich, type RichList } from '@/core/rich'
import type { LinkTarget, RichBlock, RichRun, RichText } from '@/core/site'

/** A rich text as the document that an editor holds; one without words is an empty paragraph. */
export function documentOfRich(rich: RichText): JSONContent {
  const content = partsOf(tidyRich(rich)).map((part) => {
    if (part.type === 'list') return listContent(part)
    if (part.type === 'quote') return { type: 'blockquote', content: part.blocks.map((block) => blockContent('paragraph', block)) }
    return blockContent(part.block.type === 'heading' ? 'heading' : part.block.type === 'small' ? 'smallPrint' : 'paragraph', part.block)
  })
  return { type: 'doc', content: content.length > 0 ? content : [{ type: 'paragraph' }] }
}

function listContent({ number, entries }: RichList): JSONContent {
  const content = entries.map(({ block, under }) => ({
    type: 'listItem',
    content: [blockContent('paragraph', block), ...under.map(listContent)],
  }))
  return { type: number ? 'orderedList' : 'bulletList', content }
}

function blockContent(type: string, { runs, align, dir }: RichBlock): JSONContent {
  return { type, attrs: { align: align ?? null, dir: dir ?? null }, content: runs.flatMap(runContent) }
}

function runContent(run: RichRun): JSONContent[] {
  const marks = [
    ...(run.to ? [{ type: 'link', attrs: { to: run.to } }] : []),
    ...(run.strong ? [{ type: 'bold' }] : []),
    ...(run.em ? [{ type: 'italic' }] : []),
  ]
  if ('fact' in run) return [{ type: 'chip', attrs: { fact: run.fact }, marks }]
  return run.text
    .split(/(\n)/)
    .filter((text) => text !== '')
    .map((text) => (text === '\n' ? { type: 'hardBreak', marks } : { type: 'text', text, marks }))
}

/** What an editor holds as a rich text: the very one that `documentOfRich` was given, where nothing was done. */
export function richOfDocument(document: Node): RichText {
  const blocks: RichBlock[] = []
  document.forEach((node) => readNode(node, { type: 'p' }, blocks))
  const [only] = blocks
  return blocks.length === 1 && only?.type === 'p' && only.runs.length === 0 ? [] : tidyRich(blocks)
}

const TYPES: ReadonlyMap<string, RichBlock['type']> = new Map([
  ['paragraph', 'p'],
  ['heading', 'heading'],
  ['smallPrint', 'small'],
])

function readNode(node: Node, shape: Omit<RichBlock, 'runs'>, into: RichBlock[]): void {
  if (node.type.name === 'blockquote') return node.forEach((child) => readNode(child, { type: 'quote' }, into))
  if (node.type.name === 'bulletList' || node.type.name === 'orderedList') return readList(node, 0, into)
  const { align, dir } = node.attrs as { align?: 'center' | 'end' | null; dir?: 'ltr' | 'rtl' | null }
  const type = shape.type === 'p' ? (TYPES.get(node.type.name) ?? 'p') : shape.type
  into.push({ ...shape, type, runs: runsOf(node), ...(align && { align }), ...(dir && { dir }) })
}

function readList(list: Node, depth: 0 | 1 | 2, into: RichBlock[]): void {
  const shape = { type: 'li', ...(list.type.name === 'orderedList' && { number: true }), ...(depth > 0 && { depth }) } as const
  list.forEach((entry) =>
    entry.forEach((child) => {
      if (child.type.name === 'paragraph') readNode(child, shape as Omit<RichBlock, 'runs'>, into)
      else readList(child, Math.min(depth + 1, 2) as 1 | 2, into)
    }),
  )
}

function runsOf(node: Node): RichRun[] {
  const runs: RichRun[] = []
  node.forEach((child) => {
    const style: { strong?: true; em?: true; to?: LinkTarget } = {}
    for (const mark of child.marks) {
      if (mark.type.name === 'bold') style.strong = true
      if (mark.type.name === 'italic') style.em = true
      if (mark.type.name === 'link') style.to = mark.attrs.to as LinkTarget
    }
    if (child.type.name === 'chip') runs.push({ fact: child.attrs.fact, ...style })
    else runs.push({ text: child.type.name === 'hardBreak' ? '\n' : (child.text ?? ''), ...style })
  })
  return runs
}
