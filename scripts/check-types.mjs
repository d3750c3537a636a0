import path from 'node:path'
import { isElementAccessExpression } from 'typescript-native/unstable/ast/is'
import { API, DiagnosticCategory, TypeFlags } from 'typescript-native/unstable/sync'
import { root } from './prepare.mjs'

/**
 * Types, and one rule that needs them: a name that is not written in the code is looked up by `own` or in a Map, since every object
 * answers to `constructor` and its like. Prints what is wrong; ends with 1 where anything is. The compiler is the native one, which
 * takes a tenth of the time; its interface is still called unstable, so its version is pinned.
 */
const api = new API({ cwd: root })
const [project] = api.updateSnapshot({ openProjects: [path.join(root, 'tsconfig.json')] }).getProjects()
const { program, checker } = project
const sources = program.getSourceFileNames()
const wrong = [
  ...program.getConfigFileParsingDiagnostics(),
  ...program.getProgramDiagnostics(),
  ...program.getSyntacticDiagnostics(),
  ...program.getSemanticDiagnostics(),
  ...program.getGlobalDiagnostics(),
]
  .filter(({ category }) => category === DiagnosticCategory.Error)
  .map(({ fileName, pos, text }) => `${fileName ? `${place(program.getSourceFile(fileName), pos)}: ` : ''}${text}`)

/** The helper itself, and the tables of the document, whose ids are judged when they come in: they are copied at every key. */
const EXEMPT = new Set(['src/core/own.ts', 'src/core/site/document/order.ts'])
const looked = sources.filter((name) => {
  const file = path.relative(root, name)
  return file.startsWith(`src${path.sep}`) && !/\.(test|d)\.tsx?$/.test(file) && !EXEMPT.has(file)
})
if (looked.length < 300) wrong.push(`Only ${looked.length} files were looked at for lookups by name`)
wrong.push(...lookedUpByName(looked.flatMap((name) => elementAccesses(program.getSourceFile(name)))))
api.close()
if (wrong.length > 0) {
  console.error(wrong.join('\n'))
  process.exit(1)
}

function elementAccesses(source) {
  const found = []
  const visit = (node) => {
    if (isElementAccessExpression(node)) found.push({ source, node })
    node.forEachChild(visit)
  }
  source.forEachChild(visit)
  return found
}

/** All are asked at once: each question is a message to the compiler. */
function lookedUpByName(found) {
  const objects = checker.getTypeAtLocation(found.map(({ node }) => node.expression))
  const names = checker.getTypeAtLocation(found.map(({ node }) => node.argumentExpression))
  return found
    .filter((_, i) => !isKnown(names[i]) && hasNames(objects[i]))
    .map(({ source, node }) => {
      const text = source.text.slice(node.pos, node.end).trim()
      return `${place(source, node.end)}: ${text} looks a name up in an object; use own(…) or a Map`
    })
}

function hasNames(type) {
  const of = checker.getApparentType(checker.getNonNullableType(type))
  return parts(of).some((part) => checker.getIndexInfosOfType(part).some(({ keyType }) => (keyType.flags & TypeFlags.String) !== 0))
}

function isKnown(type) {
  return parts(type).every(({ flags }) => (flags & (TypeFlags.StringLiteral | TypeFlags.NumberLike)) !== 0)
}

function parts(type) {
  return (type.flags & TypeFlags.Union) === 0 ? [type] : type.getTypes()
}

function place(source, at) {
  const line = source.text.slice(0, at).split('\n').length
  return `${path.relative(root, source.fileName)}:${line}`
}
