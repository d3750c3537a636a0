import type { RichBlock, RichText } from '../site'

export type RichEntry = { readonly block: RichBlock; readonly under: readonly RichList[] }
export type RichList = { readonly type: 'list'; readonly number: boolean; readonly entries: readonly RichEntry[] }
/** What a rich text is made of on a page: single blocks, quotations of several, lists that lie in one another. */
export type RichPart =
  | { readonly type: 'block'; readonly block: RichBlock }
  | { readonly type: 'quote'; readonly blocks: readonly RichBlock[] }
  | RichList

/** The blocks of a tidy rich text gathered as a page shows them. */
export function partsOf(rich: RichText): readonly RichPart[] {
  const parts: RichPart[] = []
  for (let at = 0; at < rich.length;) {
    const type = rich[at]?.type
    const end = type === 'li' || type === 'quote' ? endOf(rich, at) : at + 1
    const blocks = rich.slice(at, end)
    if (type === 'li') parts.push(...listsOf(blocks, 0))
    else if (type === 'quote') parts.push({ type, blocks })
    else parts.push(...blocks.map((block) => ({ type: 'block', block }) as const))
    at = end
  }
  return parts
}

/** Where blocks of one type end that began at a place. */
function endOf(rich: RichText, from: number): number {
  const end = rich.findIndex((block, i) => i > from && block.type !== rich[from]?.type)
  return end < 0 ? rich.length : end
}

/** Entries from a depth on as lists: those that are counted and those that are not do not share one. */
function listsOf(blocks: readonly RichBlock[], depth: number): RichList[] {
  const lists: { type: 'list'; number: boolean; entries: RichEntry[] }[] = []
  for (let at = 0; at < blocks.length;) {
    const block = blocks[at]!
    const after = blocks.findIndex((other, i) => i > at && (other.depth ?? 0) <= depth)
    const end = after < 0 ? blocks.length : after
    const entry = { block, under: listsOf(blocks.slice(at + 1, end), depth + 1) }
    const last = lists.at(-1)
    if (last && last.number === (block.number === true)) last.entries.push(entry)
    else lists.push({ type: 'list', number: block.number === true, entries: [entry] })
    at = end
  }
  return lists
}
