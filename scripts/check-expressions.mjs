import { createRequire } from 'node:module'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import ts from 'typescript'
import { root } from './prepare.mjs'

/**
 * No expression that can run away: each one written in the application is judged by recheck, which proves that its time grows in step with
 * what it reads, or finds words that it takes for ever over. What grows with the square is refused too, but where its words are short by
 * construction (`SHORT`, each with why). Verdicts are noted in judged-expressions.json; `npm run expressions -- --all` asks about all of
 * them. Prints what is wrong; ends with 1 where anything is.
 */
const { check } = createRequire(import.meta.url)('recheck')

/** Expressions whose time could grow with the square of what they read, and why it does not. */
const SHORT = new Map([
  [String.raw`/[/?#]+$/`, 'an address of a profile, 2,000 characters by its schema'],
  [String.raw`/^-+|-+$/g`, 'segments of our own making, 63 characters'],
  [String.raw`/-+$/`, 'segments of our own making, 63 characters'],
  [
    String.raw`/\s*(?:(-?\d*\.?\d+)([a-z%]*)|([a-z-]+\(|--[\w-]+)|([-+*/(),]))/gy`,
    'sticky: it begins at one place only, which recheck does not know',
  ],
  [String.raw`/^[^\s@<>"]+@[^\s@<>"]+\.[^\s@<>"]{2,}$/`, 'an email, 200 characters, asked before'],
  [
    String.raw`/^\s*(\d{1,2})(?:[:.h](\d{2})?)?\s*(am|pm)?\s*(?:-|–|—|to)\s*(\d{1,2})(?:[:.h](\d{2})?)?\s*(am|pm)?\s*$/`,
    'times, 400 characters, asked before',
  ],
  [String.raw`/^[\s,;:.]+|[\s,;:.]+$/g`, 'times, 400 characters, asked before'],
  [String.raw`/\s*(?:&|\+|\/|,|\band\b)\s*/`, 'times, 400 characters, asked before'],
  [String.raw`/\s*(?:-|–|—|\bto\b)\s*/`, 'times, 400 characters, asked before'],
])

const files = readdirSync(path.join(root, 'src'), { recursive: true })
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))
  .map((file) => path.join('src', file))
const found = new Map()
for (const file of files) visit(ts.createSourceFile(file, readFileSync(path.join(root, file), 'utf8'), ts.ScriptTarget.Latest, true), file)

// By characters read, not by time: a busy machine judges like an idle one.
const BY_COUNT = { timeout: 120_000, incubationTimeout: null, attackTimeout: null }

// What was judged once is as it was judged: only what is written since is asked about, or all of it where the judge is another.
const noted = path.join(root, 'scripts', 'judged-expressions.json')
const known = JSON.parse(readFileSync(noted, 'utf8'))
const { version } = JSON.parse(readFileSync(path.join(root, 'node_modules', 'recheck', 'package.json'), 'utf8'))
const verdicts = new Map(known.judge === version && !process.argv.includes('--all') ? Object.entries(known.verdicts) : [])
await Promise.all(
  [...found.keys()].filter((literal) => !verdicts.has(literal)).map(async (literal) => verdicts.set(literal, await judge(literal))),
)
const now = Object.fromEntries([...found.keys()].toSorted().map((literal) => [literal, verdicts.get(literal)]))
writeFileSync(noted, `${JSON.stringify({ judge: version, verdicts: now }, null, 2)}\n`)

const wrong = [...found].flatMap(([literal, at]) => {
  const verdict = now[literal]
  const isFine = verdict === 'safe' || (verdict === 'polynomial' && SHORT.has(literal))
  return isFine ? [] : [`${at}: ${literal} ${verdict === 'unknown' ? 'cannot be judged' : `can run away (${verdict})`}`]
})
const unused = [...SHORT.keys()].filter((literal) => !found.has(literal))
if (unused.length > 0) wrong.push(`Not written any more: ${unused.join(' ')}`)
if (found.size < 100) wrong.push(`Only ${found.size} expressions were looked at`)
if (wrong.length > 0) console.error(wrong.join('\n'))
// The judge is a process of its own that would wait for more to be asked.
process.exit(wrong.length > 0 ? 1 : 0)

/** `safe`, `unknown`, or how the time grows over the worst words: `polynomial` or `exponential`. */
async function judge(literal) {
  const end = literal.lastIndexOf('/')
  const { status, complexity } = await check(literal.slice(1, end), literal.slice(end + 1).replace('v', 'u'), BY_COUNT)
  return status === 'vulnerable' ? complexity.type : status
}

function visit(node, file) {
  if (ts.isRegularExpressionLiteral(node) && !found.has(node.text)) {
    const { line } = node.getSourceFile().getLineAndCharacterOfPosition(node.getStart())
    found.set(node.text, `${file}:${line + 1}`)
  }
  ts.forEachChild(node, (child) => visit(child, file))
}
