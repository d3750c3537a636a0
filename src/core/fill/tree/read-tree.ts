import type { DesignNode } from '../../pack'
import type { FilledNode, FilledPicture } from './tree'

type Node = FilledNode | DesignNode
/** What can be read: of a section that is not drawn, nothing. */
type Root = Node | null
/** An element of a filled tree, whether content fills it or it stands still. */
export type ReadElement = {
  readonly tag: string
  readonly classes: readonly string[]
  /** The tags of the elements around it, outermost first. */
  readonly inside: readonly string[]
  readonly words: () => string
  readonly picture: FilledPicture | null
}

/** Every element of a filled tree in reading order; the search ends where `visit` says true. */
export function readElements(root: Root, visit: (element: ReadElement) => boolean | void, inside: readonly string[] = []): boolean {
  if (root === null || typeof root === 'string') return false
  if ('type' in root && root.type === 'still') return readElements(root.element, visit, inside)
  const attrs = 'base' in root ? { ...root.base, ...root.extra } : 'attrs' in root ? root.attrs : {}
  const answer = visit({
    tag: root.tag,
    inside,
    classes: (attrs.class ?? '').split(' '),
    words: () => wordsOf(root).replaceAll(/\s+/g, ' ').trim(),
    picture: ('picture' in root ? root.picture : null) ?? null,
  })
  const deeper = [...inside, root.tag]
  return answer === true || root.children.some((child: Node) => readElements(child, visit, deeper))
}

/** The first picture of a filled element, in reading order, that a test holds of. */
export function findPicture(root: FilledNode | null, isWanted: (picture: FilledPicture) => boolean): FilledPicture | null {
  if (root === null || typeof root === 'string' || root.type === 'still') return null
  if (root.picture && isWanted(root.picture)) return root.picture
  for (const child of root.children) {
    const found = findPicture(child, isWanted)
    if (found) return found
  }
  return null
}

/** Every picture that an element shows, in order. */
export function picturesIn(root: FilledNode | null): readonly FilledPicture[] {
  if (root === null || typeof root === 'string' || root.type === 'still') return []
  return [...(root.picture ? [root.picture] : []), ...root.children.flatMap(picturesIn)]
}

const APART = new Set([
  'a',
  'li',
  'p',
  'br',
  'dt',
  'dd',
  'td',
  'th',
  'h1',
  'h2',
  'h3',
  'h4',
  'h5',
  'h6',
  'figcaption',
  'blockquote',
  'div',
  'section',
  'span',
])

/** The words of a filled tree; those of neighbouring blocks stand apart. */
export function wordsOf(node: Root): string {
  if (node === null) return ''
  if (typeof node === 'string') return node
  if ('type' in node && node.type === 'still') return wordsOf(node.element)
  const words = node.children.map((child: Node) => wordsOf(child)).join('')
  return APART.has(node.tag) ? `${words} ` : words
}
