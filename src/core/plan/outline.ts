/** One line of a pasted plan of a site: what the page is called, and on which level it stands, from 0. */
export type OutlineLine = { readonly name: string; readonly level: number }
/** A plan as it was understood, with what was left out of it and why. */
export type Outline = {
  readonly lines: readonly OutlineLine[]
  /** Lines beyond what is taken at once. */
  readonly beyond: number
  /** Names that were longer than a name can be, and were cut. */
  readonly cut: number
  /** Lines that stood deeper than pages stand, and were raised. */
  readonly raised: number
}

export const MAX_OUTLINE_LINES = 500
const MAX_NAME = 120
const DEEPEST = 2
const TAB = 4

const MARK = /^(?:[-–—*+•·‣◦○●▪■]|#{1,6}|\(?[0-9]{1,3}(?:\.[0-9]{1,3}){0,5}[.)]?|\(?[a-zA-Z][.)])[ \t\u{a0}]+/u
const NUMBER = /^\(?([0-9]{1,3}(?:\.[0-9]{1,3}){0,5})/

/**
 * A plan of a site as it is written down: a line a page; what is indented further, by tabs or spaces, stands under what is before it.
 * Bullets and numbers are left away; where nothing is indented, `1.2` stands under `1`, and `##` under `#`.
 */
export function readOutline(text: string): Outline {
  const all = text
    .split(/\r\n|\r|\n|\u2028/)
    .map((line) => line.replaceAll(/[\u{0}-\u{8}\u{b}-\u{1f}\u{200b}\u{feff}]/gu, ''))
    .filter((line) => line.trim() !== '')
  const taken = all.slice(0, MAX_OUTLINE_LINES)
  const isIndented = taken.some((line, i) => indentOf(line) !== indentOf(taken[0] ?? '') && i > 0)
  const found: OutlineLine[] = []
  let [cut, raised] = [0, 0]
  const indents: number[] = []
  for (const line of taken) {
    const name = nameOf(line)
    if (name === '') continue
    if (name.length > MAX_NAME) cut++
    const wanted = isIndented ? levelByIndent(indents, indentOf(line)) : levelByMark(line)
    // Nothing stands more than one level under what is before it.
    const level = Math.min(wanted, (found.at(-1)?.level ?? -1) + 1, DEEPEST)
    if (wanted > DEEPEST) raised++
    found.push({ name: shortened(name), level })
  }
  return { lines: found, beyond: all.length - taken.length, cut, raised }
}

function indentOf(line: string): number {
  let width = 0
  for (const letter of line) {
    if (letter === '\t') width += TAB - (width % TAB)
    else if (letter === ' ' || letter === '\u{a0}') width++
    else break
  }
  return width
}

/** How many of the indents open so far lie before a line's own; those that lie further are closed. */
function levelByIndent(open: number[], indent: number): number {
  while (open.length > 0 && (open.at(-1) ?? 0) >= indent) open.pop()
  open.push(indent)
  return open.length - 1
}

function levelByMark(line: string): number {
  const bare = line.trim()
  const hashes = /^#{1,6}(?=\s)/.exec(bare)?.[0].length
  if (hashes !== undefined) return hashes - 1
  return (NUMBER.exec(bare)?.[1]?.split('.').length ?? 1) - 1
}

function nameOf(line: string): string {
  const bare = line.trim()
  const without = bare.replace(MARK, '').trim()
  return (without === '' ? bare : without).replaceAll(/\s+/g, ' ')
}

/** Cut between letters as they are read, never inside one. */
function shortened(name: string): string {
  if (name.length <= MAX_NAME) return name
  let kept = ''
  for (const { segment } of new Intl.Segmenter().segment(name)) {
    if (kept.length + segment.length > MAX_NAME) break
    kept += segment
  }
  return kept.trim()
}
