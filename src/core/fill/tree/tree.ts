import type { AssetInfo } from '../../image'
import type { DesignElement } from '../../pack'
import type { CalendarDay, Focus, Place } from '../../site'

/** What an element of a filled design shows: the place whose content it is, and what is still to be done there. */
export type Mark = {
  readonly place: Place
  /** Where the element stands, if its content is kept in another place. */
  readonly stands?: Place
  readonly state: 'leftover' | 'draft' | 'own'
  /** Paragraphs and lists can be typed there, not words alone. */
  readonly rich: boolean
}

/** A picture as it is to be shown; which files it takes is the writer's to say. */
export type FilledPicture = {
  readonly asset: AssetInfo
  readonly ratio: string | null
  readonly focus: Focus
  readonly sizes: string | null
}

/** A logo: the picture for its surface, and the one for where a visitor's own system is dark, if that is another. */
export type FilledLogo = { readonly asset: AssetInfo; readonly onDark: AssetInfo | null }

export type FilledElement = {
  readonly type: 'element'
  readonly tag: string
  /** Attributes as the design has them. */
  readonly base: Readonly<Record<string, string>>
  /** Attributes that the content brings. */
  readonly extra: Readonly<Record<string, string>> | null
  readonly children: readonly FilledNode[]
  readonly mark: Mark | null
  readonly picture?: FilledPicture
  readonly logo?: FilledLogo
}

/** A part of a design that has no place in it: the same on every page. */
export type Still = { readonly type: 'still'; readonly element: DesignElement }

/** Plain words, a part that is filled, or one that stands still. */
export type FilledNode = string | FilledElement | Still

/** Why a section is not drawn: its design is not here, drawing failed, all of its places are empty, it is hidden, its last day is over. */
export type Gap = { readonly type: 'noDesign' | 'fault' | 'empty' | 'hidden' | 'past'; readonly name: string }

/** A section with everything that its places show; the first step of drawing, and what anyone reads who wants a page's words. */
export type FilledSection =
  | { readonly id: string; readonly root: FilledElement; readonly gap: null; readonly until?: CalendarDay }
  | { readonly id: string; readonly root: null; readonly gap: Gap }

/** An element that no place marks. */
export function plain(tag: string, children: readonly FilledNode[], extra: Readonly<Record<string, string>> | null = null): FilledElement {
  return { type: 'element', tag, base: NONE, extra, children, mark: null }
}

export const NONE: Readonly<Record<string, string>> = {}
