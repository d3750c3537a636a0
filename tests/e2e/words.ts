import type { Page } from '@playwright/test'

/** What is wrong with the words of a page, and how many there are. */
export type Found = {
  readonly out: readonly string[]
  readonly broken: readonly string[]
  readonly over: readonly string[]
  readonly words: number
}

/** Words that stand outside the window, words of headings that break within, and lines of words that lie over each other. */
export function lookAtWords(page: Page, width: number): Promise<Found> {
  return page.evaluate((width) => {
    type Line = { element: Element; section: string; rect: DOMRect }
    const out: string[] = []
    const broken: string[] = []
    const over: string[] = []
    const lines: Line[] = []
    let words = 0
    const tree = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    for (let node = tree.nextNode(); node; node = tree.nextNode()) {
      const element = node.parentElement!
      const section = element.closest('[class*="tone-"]')?.className.split(' ')[0]
      const text = node.textContent ?? ''
      if (!section || text.trim() === '' || !element.checkVisibility({ visibilityProperty: true })) continue
      words++
      const range = document.createRange()
      range.selectNodeContents(node)
      for (const rect of range.getClientRects()) {
        if (rect.left < -1 || rect.right > width + 1) out.push(`${section}: ${text.trim().slice(0, 40)}`)
        lines.push({ element, section, rect })
      }
      if (!element.closest('h1, h2')) continue
      for (const { index, 0: word } of text.matchAll(/[^\s–—-]+/g)) {
        range.setStart(node, index)
        range.setEnd(node, index + word.length)
        if (new Set([...range.getClientRects()].map((r) => Math.round(r.top))).size > 1) broken.push(`${section}: ${word}`)
      }
    }
    for (const [i, a] of lines.entries())
      for (const b of lines.slice(i + 1, i + 400)) {
        if (a.element === b.element || a.section !== b.section || a.element.contains(b.element) || b.element.contains(a.element)) continue
        // A line's box reaches beyond its letters: they stand between its first quarter and its last fifth.
        const letters = ({ top, bottom, height }: DOMRect): [number, number] => [top + height * 0.25, bottom - height * 0.2]
        const [[topA, endA], [topB, endB]] = [letters(a.rect), letters(b.rect)]
        const [left, right] = [Math.max(a.rect.left, b.rect.left), Math.min(a.rect.right, b.rect.right)]
        if (Math.min(endA, endB) - Math.max(topA, topB) > 2 && right - left > 4)
          over.push(`${a.section}: “${a.element.textContent!.slice(0, 30)}” and “${b.element.textContent!.slice(0, 30)}”`)
      }
    return { out, broken, over, words }
  }, width)
}
