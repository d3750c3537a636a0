import { type DefaultTreeAdapterTypes as P5 } from 'parse5'
import type { RichBlock, RichRun, RichText } from '../site'
import type { HtmlNode } from './nodes'
import { partsOf, type RichList } from './parts'
import { targetText } from './target-text'

/** Elements that parse5 read, for `richFromNodes`. */
export function nodesOfParsed(nodes: readonly P5.ChildNode[]): HtmlNode[] {
  return nodes.flatMap((node): HtmlNode[] => {
    if ('value' in node) return [node.value]
    if (!('tagName' in node)) return []
    const attribute = (name: string): string | null => node.attrs.find((a) => a.name === name)?.value ?? null
    return [{ tag: node.tagName, attribute, children: nodesOfParsed(node.childNodes) }]
  })
}

/**
 * A rich text as HTML that other programs can read, for the clipboard and for files; where its links lead and which facts its chips show
 * stand beside as data, so that `richFromNodes` reads back the very same. `valueOf` gives what a chip shows, `hrefOf` a link's address.
 */
export function htmlFromRich(rich: RichText, valueOf: (fact: string) => string, hrefOf: (target: string) => string): string {
  const runHtml = (run: RichRun): string => {
    const words =
      'fact' in run ? `<span data-chip="${run.fact}">${escaped(valueOf(run.fact))}</span>` : escaped(run.text).replaceAll('\n', '<br>')
    const strong = run.strong ? `<strong>${words}</strong>` : words
    const em = run.em ? `<em>${strong}</em>` : strong
    const to = run.to && targetText(run.to)
    return to === undefined ? em : `<a href="${escaped(hrefOf(to))}" data-to="${escaped(to)}">${em}</a>`
  }
  const wordsOf = (block: RichBlock): string => block.runs.map(runHtml).join('')
  const blockHtml = (tag: string, block: RichBlock): string => {
    const set = (block.align ? ` style="text-align:${block.align}"` : '') + (block.dir ? ` dir="${block.dir}"` : '')
    return `<${tag}${set}>${block.type === 'small' ? `<small>${wordsOf(block)}</small>` : wordsOf(block)}</${tag}>`
  }
  const listHtml = ({ number, entries }: RichList): string => {
    const tag = number ? 'ol' : 'ul'
    const inner = entries.map(({ block, under }) => `<li>${blockHtml('p', block)}${under.map(listHtml).join('')}</li>`)
    return `<${tag}>${inner.join('')}</${tag}>`
  }
  return partsOf(rich)
    .map((part) => {
      if (part.type === 'list') return listHtml(part)
      if (part.type === 'quote') return `<blockquote>${part.blocks.map((block) => blockHtml('p', block)).join('')}</blockquote>`
      return blockHtml(part.block.type === 'heading' ? 'h3' : 'p', part.block)
    })
    .join('')
}

function escaped(text: string): string {
  return text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;')
}
