import { placeKey, type Page, type Place } from '../../site'
import type { Site } from '../site'

/** One page being filled: where it stands decides its links. Null is the page shown when an address leads nowhere. */
export type PageScope = {
  readonly site: Site
  readonly page: Page | null
  /** Each entry of a menu names its page (`page:` and its id) as the current one, for whoever sets the one that is. */
  readonly namesAll?: true
  /** The place that somebody is typing in: it stays while it is empty, so that there is something to type in. */
  readonly typing?: Typing | null
}

export type Typing = { readonly key: string; readonly section: string | null; readonly fact: string | null }

export function typingIn(place: Place): Typing {
  return {
    key: placeKey(place),
    section: place.type === 'slot' ? place.section : null,
    fact: place.type === 'fact' ? place.fact : null,
  }
}
