import { isSafeUrl } from '@/core/pack'
import { fitRich, htmlFromRich, richFromNodes, type Allowed, type HtmlNode } from '@/core/rich'
import type { LinkTarget, RichText } from '@/core/site'

/** What HTML from elsewhere says, as a place takes it. */
export function richFromPasted(html: string, allowed: Allowed): ReturnType<typeof fitRich> {
  const { body } = new DOMParser().parseFromString(html, 'text/html')
  return fitRich(richFromNodes(nodesOf(body.childNodes), toTarget), allowed)
}

function nodesOf(nodes: NodeListOf<ChildNode>): HtmlNode[] {
  return [...nodes].flatMap((node): HtmlNode[] => {
    if (node.nodeType === Node.TEXT_NODE) return [node.nodeValue ?? '']
    if (node.nodeType !== Node.ELEMENT_NODE) return []
    const element = node as Element
    return [{ tag: element.localName, attribute: (name) => element.getAttribute(name), children: nodesOf(element.childNodes) }]
  })
}

/** An address that was pasted leads there if it leads anywhere. */
export function toTarget(href: string): LinkTarget | null {
  return isSafeUrl(href) ? { type: 'url', url: href } : null
}

/** A rich text as HTML for an editor to read, and for the clipboard. */
export function pasteableHtml(rich: RichText, chip: (fact: string) => string): string {
  return htmlFromRich(rich, chip, (target) => (isSafeUrl(target) ? target : '#'))
}
