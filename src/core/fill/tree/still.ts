import type { DesignElement } from '../../pack'

const known = new WeakMap<DesignElement, boolean>()

/** Whether no place stands in a part of a design, so that it is the same wherever it is drawn. */
export function isStill(element: DesignElement): boolean {
  const told = known.get(element)
  if (told !== undefined) return told
  const still =
    !element.binding &&
    !element.when &&
    !element.veil &&
    !element.spoken &&
    element.children.every((child) => typeof child === 'string' || isStill(child))
  known.set(element, still)
  return still
}
