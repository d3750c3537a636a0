import path from 'node:path'
import ts from 'typescript'
import { root } from './prepare.mjs'

/**
 * Types, and one rule that needs them: a name that is not written in the code is looked up by `own` or in a Map, since every object
 * answers to `constructor` and its like. Prints what is wrong; ends with 1 where anything is.
 */
const config = ts.getParsedCommandLineOfConfigFile(
  path.join(root, 'tsconfig.json'),
  { noEmit: true },
  {
    ...ts.sys,
    onUnRecoverableConfigFileDiagnostic: (found) => fail([ts.flattenDiagnosticMessageText(found.messageText, '\n')]),
  },
)
const program = ts.createProgram(config.fileNames, config.options)
const checker = program.getTypeChecker()
const format = { getCanonicalFileName: (file) => file, getCurrentDirectory: () => root, getNewLine: () => '\n' }
const wrong = ts.getPreEmitDiagnostics(program).map((found) => ts.formatDiagnostic(found, format).trim())

/** The helper itself, and the tables of the document, whose ids are judged when they come in: they are copied at every key. */
const EXEMPT = new Set(['src/core/own.ts', 'src/core/site/document/order.ts'])
let looked = 0
for (const source of program.getSourceFiles()) {
  const file = path.relative(root, source.fileName)
  if (!file.startsWith(`src${path.sep}`) || /\.(test|d)\.tsx?$/.test(file) || EXEMPT.has(file)) continue
  looked++
  visit(source, file, source)
}
if (looked < 300) wrong.push(`Only ${looked} files were looked at for lookups by name`)
fail(wrong)

function visit(node, file, source) {
  if (ts.isElementAccessExpression(node) && isByName(node)) {
    const { line } = source.getLineAndCharacterOfPosition(node.getStart())
    wrong.push(`${file}:${line + 1}: ${node.getText()} looks a name up in an object; use own(…) or a Map`)
  }
  ts.forEachChild(node, (child) => visit(child, file, source))
}

function isByName({ expression, argumentExpression }) {
  const of = checker.getApparentType(checker.getNonNullableType(checker.getTypeAtLocation(expression)))
  const hasNames = (of.isUnion() ? of.types : [of]).some((type) => checker.getIndexInfoOfType(type, ts.IndexKind.String))
  if (!hasNames) return false
  const by = checker.getTypeAtLocation(argumentExpression)
  const known = ts.TypeFlags.StringLiteral | ts.TypeFlags.NumberLike
  return !(by.isUnion() ? by.types : [by]).every((type) => (type.flags & known) !== 0)
}

function fail(words) {
  if (words.length === 0) return
  console.error(words.join('\n'))
  process.exit(1)
}
