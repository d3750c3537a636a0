import * as v from 'valibot'

const runSchema = v.strictObject({
  text: v.pipe(v.string(), v.maxLength(20_000)),
  strong: v.optional(v.literal(true)),
  em: v.optional(v.literal(true)),
  href: v.optional(v.pipe(v.string(), v.maxLength(2000))),
})
const blockSchema = v.strictObject({ type: v.picklist(['p', 'li']), runs: v.pipe(v.array(runSchema), v.maxLength(500), v.readonly()) })

/** Paragraphs and list entries made of runs of text; nothing else can be written, so nothing else can be shown. */
export const richTextSchema = v.pipe(v.array(blockSchema), v.maxLength(200), v.readonly())
export type RichRun = v.InferOutput<typeof runSchema>
export type RichBlock = v.InferOutput<typeof blockSchema>
export type RichText = v.InferOutput<typeof richTextSchema>

/** One paragraph for each line of plain text; a line that begins with "- " or "• " becomes a list entry. */
export function richFromPlain(text: string): RichText {
  return text
    .split(/\n+/)
    .filter((line) => line.trim() !== '')
    .map((line) => {
      const entry = /^\s*[-•]\s/.exec(line)
      return { type: entry ? 'li' : 'p', runs: parseInline(entry ? line.slice(entry[0].length).trimStart() : line.trim()) }
    })
}

/** `**strong**`, `*em*` and `[words](address)` inside a line, as a person writes them in plain text. */
function parseInline(line: string): RichRun[] {
  const runs: RichRun[] = []
  const mark = /\*\*([^*]+)\*\*|\*([^*]+)\*|\[([^\]]{1,2000})\]\(([^)\s]{1,2000})\)/g
  let at = 0
  for (const found of line.matchAll(mark)) {
    if (found.index > at) runs.push({ text: line.slice(at, found.index) })
    const [, strong, em, words, href] = found
    if (strong) runs.push({ text: strong, strong: true })
    else if (em) runs.push({ text: em, em: true })
    else runs.push({ text: words ?? '', href: href ?? '' })
    at = found.index + found[0].length
  }
  if (at < line.length) runs.push({ text: line.slice(at) })
  return runs
}

/**
 * The same text as plain lines, which `richFromPlain` reads back. Marks do not lie in one another there: of words that are
 * a link and strong the link is kept, of strong and emphasised ones that they are strong.
 */
export function plainFromRich(rich: RichText): string {
  return rich.map((block) => (block.type === 'li' ? '- ' : '') + block.runs.map(plainRun).join('')).join('\n')
}

function plainRun(run: RichRun): string {
  if (run.href) return `[${run.text}](${run.href})`
  if (run.strong) return `**${run.text}**`
  return run.em ? `*${run.text}*` : run.text
}
