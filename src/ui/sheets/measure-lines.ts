/** How many lines the text of an element takes, as laid out now. Only its letters count: a paragraph's own box spans all its lines. */
export function measureLines(element: Element): number {
  const { ownerDocument } = element
  const walker = ownerDocument.createTreeWalker(element, NodeFilter.SHOW_TEXT)
  const range = ownerDocument.createRange()
  const rects: DOMRect[] = []
  while (walker.nextNode()) {
    range.selectNodeContents(walker.currentNode)
    for (const rect of range.getClientRects()) if (rect.width > 0.5) rects.push(rect)
  }
  let lines = 0
  let bottom = Number.NEGATIVE_INFINITY
  for (const rect of rects.sort((a, b) => a.top - b.top)) {
    // A rectangle whose middle lies below everything so far begins a new line.
    if (rect.top + rect.height / 2 <= bottom) continue
    lines++
    bottom = rect.bottom - rect.height * 0.25
  }
  return lines
}

/** Lines by place key, of every text place in a part of a sheet. */
export function measurePart(root: ParentNode): Map<string, number> {
  const found = new Map<string, number>()
  for (const element of root.querySelectorAll('[data-place]')) {
    if (element.tagName === 'IMG' || element.querySelector('[data-place]')) continue
    const key = element.getAttribute('data-place') ?? ''
    if (!found.has(key)) found.set(key, measureLines(element))
  }
  return found
}
