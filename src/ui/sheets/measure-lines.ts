/** How many lines the text of an element takes, as laid out now. */
export function measureLines(element: Element): number {
  const range = element.ownerDocument.createRange()
  range.selectNodeContents(element)
  let lines = 0
  let bottom = Number.NEGATIVE_INFINITY
  const rects = [...range.getClientRects()].filter((r) => r.width > 0.5 && r.height > 0).sort((a, b) => a.top - b.top)
  for (const rect of rects) {
    // A rectangle whose middle lies below everything so far begins a new line.
    if (rect.top + rect.height / 2 > bottom) {
      lines++
      bottom = rect.bottom
    } else bottom = Math.max(bottom, rect.bottom - rect.height * 0.25)
  }
  return lines
}

/** Lines by place key, of every text place in a part of a sheet. */
export function measurePart(root: ParentNode): Map<string, number> {
  const found = new Map<string, number>()
  for (const element of root.querySelectorAll('[data-at]')) {
    if (element.tagName === 'IMG' || element.querySelector('[data-at]')) continue
    const key = element.getAttribute('data-at') ?? ''
    if (!found.has(key)) found.set(key, measureLines(element))
  }
  return found
}
