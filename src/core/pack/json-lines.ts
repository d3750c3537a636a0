import { findNodeAtLocation, parseTree, printParseErrorCode, type JSONPath, type Node, type ParseError } from 'jsonc-parser'

export type ReadJson = {
  /** The value, or undefined where the text is not JSON. */
  readonly value: unknown
  /** The line, from 1, on which a part stands; of the nearest part around it where it is missing. */
  readonly lineOf: (path: JSONPath) => number
  readonly faults: readonly { readonly line: number; readonly fault: string }[]
}

/** JSON text with the line of each of its parts, so that a fault can be found in an editor. */
export function readJson(text: string): ReadJson {
  const errors: ParseError[] = []
  const tree = parseTree(text, errors, { disallowComments: true })
  const lineAt = (offset: number): number => text.slice(0, offset).split('\n').length
  const lineOf = (path: JSONPath): number => {
    for (let length = path.length; length > 0; length--) {
      const node = tree && findNodeAtLocation(tree, path.slice(0, length))
      if (node) return lineAt(ownStart(node))
    }
    return 1
  }
  const faults = errors.map(({ error, offset }) => ({ line: lineAt(offset), fault: `Not valid JSON: ${printParseErrorCode(error)}.` }))
  return { value: faults.length > 0 ? undefined : (JSON.parse(text) as unknown), lineOf, faults }
}

/** A property begins at its name, not at its value. */
function ownStart(node: Node): number {
  return node.parent?.type === 'property' ? node.parent.offset : node.offset
}
