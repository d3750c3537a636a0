import type { Page } from '../../site'
import type { Site } from '../site'

/** One page being filled: where it stands decides its links. Null is the page shown when an address leads nowhere. */
export type PageScope = { readonly site: Site; readonly page: Page | null }
