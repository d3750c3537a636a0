import { MAX_BLOCKS, type RichBlock, type RichText } from '../site'
import { finishRich } from './tidy'

const BULLET = /^\s*[•‣▪◦]\s*/
const NUMBER = /^\s*(\d{1,3})[.)]\s+(?=\S)/
const DASH = /^\s*[-–—*]\s+(?=\S)/

/**
 * Words that somebody wrote without any marks, as they are: each line a paragraph, nothing read into stars and brackets. Only what cannot
 * be meant otherwise is a list: lines that begin with a bullet, two or more in a row that are counted from 1 on, and two or more in a
 * row that begin with a dash and no number (`- 5 °C` is a temperature).
 */
export function richFromPlain(text: string): RichText {
  const lines = text.split(/\r\n?|[\n\u2028\u2029]/).filter((line) => line.trim() !== '')
  const counted = countedLines(lines)
  const blocks = lines.map((line, i): RichBlock => {
    const number = counted.has(i) ? NUMBER.exec(line) : null
    const mark = number ?? BULLET.exec(line) ?? (isDashed(lines, i) ? DASH.exec(line) : null)
    return { type: mark ? 'li' : 'p', runs: [{ text: line.slice(mark?.[0].length ?? 0) }], ...(number && { number: true }) }
  })
  return finishRich(blocks.slice(0, MAX_BLOCKS))
}

/** Which lines are of a row that is counted 1, 2, 3… */
function countedLines(lines: readonly string[]): ReadonlySet<number> {
  const found = new Set<number>()
  let next = 1
  lines.forEach((line, i) => {
    const number = Number(NUMBER.exec(line)?.[1] ?? 0)
    next = number === next ? next + 1 : number === 1 ? 2 : 1
    if (next === 3) found.add(i - 1)
    if (next > 2) found.add(i)
  })
  return found
}

function isDashed(lines: readonly string[], at: number): boolean {
  const is = (line: string | undefined): boolean => line !== undefined && DASH.test(line) && !/^\s*\S\s+\d/.test(line)
  return is(lines[at]) && (is(lines[at - 1]) || is(lines[at + 1]))
}

/** The words alone, a line for each block, as they go to a cell or into plain text; chips as they are told to be read. */
export function plainFromRich(rich: RichText, valueOf: (fact: string) => string): string {
  return rich.map((block) => lead(block) + block.runs.map((run) => ('fact' in run ? valueOf(run.fact) : run.text)).join('')).join('\n')
}

function lead({ type, depth }: RichBlock): string {
  return type === 'li' ? `${'  '.repeat(depth ?? 0)}• ` : ''
}
