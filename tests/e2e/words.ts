import type { Frame, Page } from '@playwright/test'

/** What is wrong with the words of a page, and how many there are. */
export type Found = {
  readonly out: readonly string[]
  readonly broken: readonly string[]
  readonly over: readonly string[]
  readonly off: readonly string[]
  readonly words: number
}

/**
 * Words that stand outside the window, words of headings that break within, lines of words that lie over each other, and words that stand
 * outside of the ground that they are read on, or on another plane or picture of their section.
 */
export function lookAtWords(page: Page | Frame, width: number): Promise<Found> {
  return page.evaluate((width) => {
    type Edges = { readonly left: number; readonly right: number; readonly top: number; readonly bottom: number }
    type Line = Edges & { readonly element: Element; readonly nth: number }
    const out: string[] = []
    const broken: string[] = []
    const over = new Set<string>()
    const off: string[] = []
    let words = 0
    const edgesOf = ({ left, right, top, bottom }: DOMRect): Edges => ({ left, right, top, bottom })

    /** Whether an element is a ground for what stands on it: looked up once for each. */
    const grounds = new Map<Element, boolean>()
    const isGround = (element: Element): boolean => {
      let found = grounds.get(element)
      if (found === undefined) {
        const { backgroundColor, backgroundImage } = getComputedStyle(element)
        grounds.set(element, (found = backgroundColor !== 'rgba(0, 0, 0, 0)' || backgroundImage !== 'none'))
      }
      return found
    }
    const groundOf = (element: Element, section: Element): Element => {
      let ground = element
      while (ground !== section && !isGround(ground)) ground = ground.parentElement!
      return ground
    }

    /** The lines of words of each section, where letters stand in them. */
    const sections = new Map<Element, Line[]>()
    const tree = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    const range = document.createRange()
    const nameOf = (section: Element): string => section.className.split(' ')[0]!
    let nth = 0
    for (let node = tree.nextNode(); node; node = tree.nextNode()) {
      const text = node.textContent ?? ''
      const element = node.parentElement!
      const section = text.trim() === '' ? null : element.closest('[class*="tone-"]')
      if (!section || !element.checkVisibility({ visibilityProperty: true })) continue
      words++
      range.selectNodeContents(node)
      const lines = sections.get(section) ?? []
      sections.set(section, lines)
      for (const rect of range.getClientRects()) {
        const { left, right, top, bottom } = edgesOf(rect)
        if (left < -1 || right > width + 1) out.push(`${nameOf(section)}: ${text.trim().slice(0, 40)}`)
        // A line's box reaches beyond its letters: they stand between its first quarter and its last fifth.
        const height = bottom - top
        lines.push({ element, nth: nth++, left, right, top: top + height * 0.25, bottom: bottom - height * 0.2 })
      }
      if (!element.closest('h1, h2')) continue
      for (const { index, 0: word } of text.matchAll(/[^\s–—-]+/g)) {
        range.setStart(node, index)
        range.setEnd(node, index + word.length)
        if (new Set([...range.getClientRects()].map((r) => Math.round(r.top))).size > 1) broken.push(`${nameOf(section)}: ${word}`)
      }
    }

    const areApart = (a: Element, b: Element): boolean => a !== b && !a.contains(b) && !b.contains(a)
    const start = (element: Element): string => element.textContent!.slice(0, 30)
    for (const [section, lines] of sections) {
      // From the top down: below the first that begins under a line's letters, none lies over it.
      const sorted = lines.toSorted((a, b) => a.top - b.top)
      for (const [i, a] of sorted.entries())
        for (let j = i + 1; j < sorted.length && sorted[j]!.top < a.bottom - 2; j++) {
          const b = sorted[j]!
          const across = Math.min(a.right, b.right) - Math.max(a.left, b.left)
          if (across <= 4 || Math.min(a.bottom, b.bottom) - b.top <= 2 || !areApart(a.element, b.element)) continue
          const [first, second] = a.nth < b.nth ? [a, b] : [b, a]
          over.add(`${nameOf(section)}: “${start(first.element)}” and “${start(second.element)}”`)
        }
      const planes = [...section.querySelectorAll('*')]
        .filter((one) => one instanceof HTMLImageElement || isGround(one))
        .map((one) => ({ one, at: edgesOf(one.getBoundingClientRect()) }))
      for (const { element, left, right, top, bottom } of lines) {
        const ground = groundOf(element, section)
        const at = edgesOf(ground.getBoundingClientRect())
        const isInside = left > at.left - 2 && right < at.right + 2 && top > at.top - 2 && bottom < at.bottom + 2
        if (!isInside) off.push(`${nameOf(section)}: “${start(element)}” reaches out of its ground`)
        // What has a ground of its own lies over the others.
        if (ground !== section) continue
        for (const plane of planes) {
          const across = Math.min(right, plane.at.right) - Math.max(left, plane.at.left)
          const down = Math.min(bottom, plane.at.bottom) - Math.max(top, plane.at.top)
          if (across > 4 && down > 2 && !plane.one.contains(element)) off.push(`${nameOf(section)}: “${start(element)}” on a plane`)
        }
      }
    }
    return { out, broken, over: [...over], off: [...new Set(off)], words }
  }, width)
}
