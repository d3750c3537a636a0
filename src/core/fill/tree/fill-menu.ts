import { ownWord } from '../labels'
import type { ComputedEntry } from './computed-lists'
import { wordsOn } from './direction'
import type { PageScope } from './page-scope'
import { plain, type FilledElement, type FilledNode } from './tree'

/**
 * What a menu lists under one of its entries, as a list that a button opens beside the link (WAI-ARIA Authoring Practices, disclosure
 * navigation with top-level links). The button's state, Escape, and closing one by opening another are the browser's own, by the
 * popover attribute (HTML Standard, 6.12), so it needs no script. What lies deeper is listed along.
 */
export function withUnder(scope: PageScope, nodes: readonly FilledNode[], entry: ComputedEntry): readonly FilledNode[] {
  const { under } = entry
  const at = nodes.findIndex((node) => typeof node !== 'string' && node.type === 'element')
  const item = nodes[at]
  if (!under || typeof item !== 'object' || item.type !== 'element') return nodes
  const id = `under-${under.id}`
  const button = plain('button', [], {
    class: 'menu-more',
    type: 'button',
    popovertarget: id,
    'aria-label': `${entry.parts.page?.text ?? ''}: ${ownWord(scope.site.document, 'pages')}`,
  })
  const list = listUnder(scope, under.entries, { id, popover: '' })
  return nodes.with(at, { ...item, children: [...item.children, button, list] })
}

function listUnder(scope: PageScope, entries: readonly ComputedEntry[], extra: Readonly<Record<string, string>>): FilledElement {
  const item = ({ parts: { page }, under }: ComputedEntry): FilledElement =>
    plain('li', [
      plain('a', wordsOn(scope.site.document, page?.text ?? ''), page?.extra ?? null),
      ...(under ? [listUnder(scope, under.entries, {})] : []),
    ])
  return plain('ul', entries.map(item), { ...extra, class: 'menu-under' })
}
