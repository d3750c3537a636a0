import { CHIP_FACTS, isSame, type ChipFact, type RichBlock, type RichRun, type RichText, type RunStyle } from '../site'
import { parseTargetText, targetText } from './target-text'
import { styleOf, tidyRich } from './tidy'

/*
 * Rich text as packs write it, in lines. Inside a line: `**strong**`, `*stressed*`, `[words](target)`, `{phone}` for a chip, `\` before a
 * letter that would be a mark, and `\` at the end of a line where it goes on in the next. A line begins with `- ` or `1. ` (an entry, two
 * spaces before it for each level), `# ` (sub-heading), `> ` (quotation) or `~ ` (small print), and before all that with `{center}`,
 * `{end}`, `{ltr}` or `{rtl}`. The marks are those of CommonMark, so far as it has them. Nothing of a rich text is lost in it.
 */

const LEADS = { '#': 'heading', '>': 'quote', '~': 'small' } as const
const LEAD_OF = { p: '', heading: '# ', quote: '> ', small: '~ ' } as const
const SETTINGS = { center: { align: 'center' }, end: { align: 'end' }, ltr: { dir: 'ltr' }, rtl: { dir: 'rtl' } } as const

/** The rich text that was written with marks. */
export function parseMarked(text: string): RichText {
  return tidyRich(linesOf(text).map(parseLine))
}

/** Lines that are blocks; one that ends in a backslash goes on in the next. A line that says nothing is none. */
function linesOf(text: string): string[] {
  const lines: string[] = []
  let isOpen = false
  for (const line of text.replaceAll('\r', '').split('\n')) {
    if (isOpen) lines.push(`${lines.pop() ?? ''}\n${line}`)
    else lines.push(line)
    isOpen = endsOpen(line)
  }
  return lines.filter((line) => line.trim() !== '')
}

/** Whether a line's last letter is a backslash that no other one makes a letter. */
function endsOpen(line: string): boolean {
  let slashes = 0
  while (line[line.length - 1 - slashes] === '\\') slashes++
  return slashes % 2 === 1
}

function parseLine(line: string): RichBlock {
  let rest = line
  let set: Pick<RichBlock, 'align' | 'dir'> = {}
  for (let found; (found = /^\{(center|end|ltr|rtl)\}/.exec(rest)); rest = rest.slice(found[0].length))
    set = { ...set, ...SETTINGS[found[1] as keyof typeof SETTINGS] }
  const [entry, spaces = '', dot] = /^( {0,4})(?:(-)|\d{1,3}\.) /.exec(rest) ?? []
  if (entry !== undefined) {
    const depth = Math.floor(spaces.length / 2) as 0 | 1 | 2
    return { type: 'li', runs: parseRuns(rest.slice(entry.length)), ...(!dot && { number: true }), ...(depth && { depth }), ...set }
  }
  const [lead, sign] = /^([#>~]) /.exec(rest) ?? []
  const type = sign ? LEADS[sign as keyof typeof LEADS] : 'p'
  return { type, runs: parseRuns(rest.slice(lead?.length ?? 0)), ...set }
}

const TARGET = String.raw`\]\((?<target>(?:\\[^]|[^()\s\\]){1,2100})\)`
const MARK = new RegExp(String.raw`\\(?<kept>[^])|(?<stars>\*+)|\{(?<fact>[a-z]{2,20})\}|\[(?<open>)|${TARGET}`, 'g')

function parseRuns(line: string): RichRun[] {
  const runs: RichRun[] = []
  let style: RunStyle = {}
  let opened: number | null = null
  let at = 0
  const put = (text: string): void => void (text !== '' && runs.push({ text, ...style }))
  for (const found of line.matchAll(MARK)) {
    put(line.slice(at, found.index))
    at = found.index + found[0].length
    const { kept, stars, fact, open, target } = found.groups ?? {}
    if (kept !== undefined) put(kept)
    else if (stars !== undefined) style = starred(style, stars.length)
    else if (fact !== undefined && isChip(fact)) runs.push({ fact, ...style })
    else if (open !== undefined && opened === null && closes(line, at)) opened = runs.length
    else if (target !== undefined && opened !== null) {
      link(runs, opened, target)
      opened = null
    } else put(found[0])
  }
  put(line.slice(at))
  return runs
}

/** Each pair of stars begins or ends strong words, a single one stressed ones. */
function starred({ strong, em }: RunStyle, stars: number): RunStyle {
  const isStrong = Math.floor(stars / 2) % 2 === 1 ? !strong : strong
  const isEm = stars % 2 === 1 ? !em : em
  return { ...(isStrong && { strong: true }), ...(isEm && { em: true }) }
}

function isChip(name: string): name is ChipFact {
  return (CHIP_FACTS as readonly string[]).includes(name)
}

/** Whether the bracket that was opened is closed before another opens. */
function closes(line: string, from: number): boolean {
  for (const found of line.slice(from).matchAll(MARK)) {
    if (found.groups?.target !== undefined) return true
    if (found.groups?.open !== undefined) return false
  }
  return false
}

function link(runs: RichRun[], from: number, target: string): void {
  const to = parseTargetText(target.replaceAll(/\\([^])/g, '$1'))
  if (to) for (let i = from; i < runs.length; i++) runs[i] = { ...runs[i]!, to }
}

/** A tidy rich text with its marks; `parseMarked` reads back the very same. */
export function markedFromRich(rich: RichText): string {
  return rich.map(writeLine).join('\n')
}

function writeLine(block: RichBlock): string {
  const { type, runs, number, align, dir } = block
  const depth = block.depth ?? 0
  const lead = type === 'li' ? `${'  '.repeat(depth)}${number ? '1.' : '-'} ` : LEAD_OF[type]
  const words = writeRuns(runs)
  const set = (align ? `{${align}}` : '') + (dir ? `{${dir}}` : '')
  return set + (lead === '' ? words.replace(/^(\s*)([#>~-]|\d{1,3}\.(?= ))/, escapeFirst) : lead + words)
}

function escapeFirst(_: string, spaces: string, sign: string): string {
  return sign.endsWith('.') ? `${spaces}${sign.slice(0, -1)}\\.` : `${spaces}\\${sign}`
}

function writeRuns(runs: readonly RichRun[]): string {
  let out = ''
  let style: RunStyle = {}
  for (const [i, run] of runs.entries()) {
    const next = styleOf(run)
    out += opening(style, next)
    out += 'fact' in run ? `{${run.fact}}` : escaped(run.text)
    style = next
    if (i === runs.length - 1) out += opening(style, {})
  }
  return out
}

/** What stands between words that are set in one way and words that are set in another. */
function opening(from: RunStyle, to: RunStyle): string {
  const isLinkChanged = !isSame(from.to, to.to)
  const stars = (from.strong === to.strong ? '' : '**') + (from.em === to.em ? '' : '*')
  return (from.to && isLinkChanged ? `](${escapedTarget(targetText(from.to))})` : '') + (to.to && isLinkChanged ? '[' : '') + stars
}

function escapedTarget(target: string): string {
  return target.replaceAll(/[()\s\\]/g, '\\$&')
}

function escaped(text: string): string {
  return text.replaceAll(/[\\*{[\]\n]/g, '\\$&')
}
