import { memoOf } from '../../memo'
import type { DesignElement } from '../../pack'

/** Whether no place stands in a part of a design, so that it is the same wherever it is drawn. */
export const isStill: (element: DesignElement) => boolean = memoOf(
  (element) =>
    !element.binding &&
    !element.when &&
    !element.veil &&
    !element.spoken &&
    element.children.every((child) => typeof child === 'string' || isStill(child)),
)
