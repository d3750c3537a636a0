import { own } from '../own'
import shapes from './shapes.json' with { type: 'json' }

/** A shape on a grid of 24: what it is called, whether it points and so turns with the direction of writing, and what it is drawn of. */
export type IconShape = {
  readonly said: string
  readonly turns?: true
  readonly parts: readonly (readonly [tag: string, attributes: Readonly<Record<string, string>>])[]
}

/**
 * Shapes from Lucide 1.75 (lucide.dev), drawn in lines of 2. Copyright (c) Lucide Icons and Contributors, ISC License; some are derived
 * from Feather, Copyright (c) 2013-present Cole Bemis, MIT License. Both ask that this notice stays with them.
 */
const SHAPES = shapes as unknown as Readonly<Record<string, IconShape>>

export const ICON_NAMES: readonly string[] = Object.keys(SHAPES)

/** The shape of a name; null where there is none of that name. */
export function findIcon(name: string): IconShape | null {
  return own(SHAPES, name) ?? null
}
