import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import ts from 'typescript'
import { beforeAll, expect, test } from 'vitest'
import { ownDataFolder } from './log-fixture'

const server = path.join(import.meta.dirname, '..', '..', 'src', 'server')
let db: typeof import('../../src/server/store/db')

beforeAll(async () => {
  ownDataFolder()
  db = await import('../../src/server/store/db')
})

type Statement = { readonly at: string; readonly text: string }

/** Every statement that is written in a file, with what it is put together of filled in; one for each turn of a loop over names. */
function statementsIn(file: string): readonly Statement[] {
  const source = ts.createSourceFile(file, readFileSync(file, 'utf8'), ts.ScriptTarget.Latest, true)
  /** What names stand for in the file: one text, or several where a loop goes through them. */
  const known = new Map<string, readonly string[]>()
  const found: Statement[] = []

  const textsOf = (node: ts.Node): readonly string[] => {
    if (ts.isAsExpression(node) || ts.isSatisfiesExpression(node)) return textsOf(node.expression)
    if (ts.isStringLiteralLike(node) || ts.isNumericLiteral(node)) return [node.text]
    if (ts.isArrayLiteralExpression(node)) return node.elements.flatMap(textsOf)
    if (ts.isIdentifier(node)) return known.get(node.text) ?? []
    if (ts.isBinaryExpression(node)) return textsOf(node.left).flatMap((one) => textsOf(node.right).map((other) => one + other))
    if (!ts.isTemplateExpression(node)) return []
    return node.templateSpans.reduce<readonly string[]>(
      (so, { expression, literal }) => so.flatMap((begun) => textsOf(expression).map((part) => begun + part + literal.text)),
      [node.head.text],
    )
  }

  const visit = (node: ts.Node): void => {
    if (ts.isVariableDeclaration(node) && ts.isIdentifier(node.name) && node.initializer)
      known.set(node.name.text, textsOf(node.initializer))
    if (ts.isForOfStatement(node) && ts.isVariableDeclarationList(node.initializer)) {
      const [each] = node.initializer.declarations
      if (each && ts.isIdentifier(each.name)) known.set(each.name.text, textsOf(node.expression))
    }
    if (ts.isCallExpression(node) && isStatement(node.expression)) {
      const { line } = source.getLineAndCharacterOfPosition(node.getStart())
      const at = `${path.relative(server, file)}:${line + 1}`
      const [argument] = node.arguments
      const texts = argument ? textsOf(argument) : []
      found.push(...(texts.length > 0 ? texts.map((text) => ({ at, text })) : [{ at, text: `cannot be read: ${argument?.getText()}` }]))
    }
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

/** `sql(…)`, or `prepare(…)` of a database. */
function isStatement(called: ts.Expression): boolean {
  return (ts.isIdentifier(called) && called.text === 'sql') || (ts.isPropertyAccessExpression(called) && called.name.text === 'prepare')
}

/** What takes any text, is given its tables by name, or is of tables that are gone once the migration that reads them has run. */
const APART = new Set(['store/db.ts', 'store/migrate.ts', 'store/upgrade-to-format-2.ts', 'releases/collect-garbage.ts'])

test('every statement that is written anywhere is one that the database takes as it is now', () => {
  const files = (readdirSync(server, { recursive: true }) as string[]).filter((file) => file.endsWith('.ts') && !APART.has(file))
  const statements = files.flatMap((file) => statementsIn(path.join(server, file)))
  const wrong = statements.flatMap(({ at, text }) => {
    try {
      db.db().prepare(text)
      return []
    } catch (error) {
      return [`${at}: ${(error as Error).message}: ${text}`]
    }
  })
  expect(wrong).toEqual([])
  expect(statements.length).toBeGreaterThan(150)
})
