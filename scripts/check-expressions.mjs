import { createRequire } from 'node:module'
import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import ts from 'typescript'
import { root } from './prepare.mjs'

/**
 * No expression that can run away: each one written in the application is judged by recheck, which proves that its time grows in step with
 * what it reads, or finds words that it takes for ever over. What grows with the square is refused too, but where its words are short by
 * construction (`SHORT`, each with why). Prints what is wrong; ends with 1 where anything is.
 */
process.env.RECHECK_BACKEND = 'pure'
const { checkSync } = createRequire(import.meta.url)('recheck')

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

const wrong = []
for (const [literal, at] of found) {
  const end = literal.lastIndexOf('/')
  const { status, complexity } = checkSync(literal.slice(1, end), literal.slice(end + 1).replace('v', 'u'), BY_COUNT)
  if (status === 'safe' || (complexity?.type === 'polynomial' && SHORT.has(literal))) continue
  wrong.push(`${at}: ${literal} ${status === 'unknown' ? 'cannot be judged' : `can run away (${complexity.summary})`}`)
}
const unused = [...SHORT.keys()].filter((literal) => !found.has(literal))
if (unused.length > 0) wrong.push(`Not written any more: ${unused.join(' ')}`)
if (found.size < 100) wrong.push(`Only ${found.size} expressions were looked at`)
if (wrong.length > 0) {
  console.error(wrong.join('\n'))
  process.exit(1)
}

function visit(node, file) {
  if (ts.isRegularExpressionLiteral(node) && !found.has(node.text)) {
    const { line } = node.getSourceFile().getLineAndCharacterOfPosition(node.getStart())
    found.set(node.text, `${file}:${line + 1}`)
  }
  ts.forEachChild(node, (child) => visit(child, file))
}
