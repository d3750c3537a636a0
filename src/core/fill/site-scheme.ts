import { makeScheme, veilOpacity, type Scheme, type SchemeSpec } from '../colour'
import { findScheme } from '../pack'
import type { Brand } from '../site'
import { templateOf, type Site } from './site'

type Kept = { readonly brand: Brand; readonly light: Scheme | null; readonly dark: Scheme | null }
const lastSchemes = new WeakMap<SchemeSpec, Kept>()

/**
 * The site's colours: its scheme with the client's colours in it, in the form that is asked for. Every page asks, so
 * the last answers are kept.
 */
export function siteScheme(site: Site, dark: boolean = site.document.dress.dark === true): Scheme {
  const { brand, dress } = site.document
  const spec = findScheme(templateOf(site), dress.scheme ?? null)
  const last = lastSchemes.get(spec)
  const kept = last?.brand === brand ? last : { brand, light: null, dark: null }
  const form = dark ? 'dark' : 'light'
  const found = kept[form]
  if (found) return found
  const scheme = makeScheme(spec, brand, dark)
  lastSchemes.set(spec, { ...kept, [form]: scheme })
  return scheme
}

/** What the text on a picture needs of the veil between them: WCAG 2.2, 1.4.3, and a hair more. */
const VEILED_TEXT = 4.51

/** The picture tone's surface, as see-through as the text on it allows over any picture, or over one whose colours lie between two. */
export function veilOf({ surface, text }: Scheme['picture'], bounds?: readonly [string, string]): string {
  const opacity = Math.round(veilOpacity(surface, text, VEILED_TEXT, bounds) * 255)
  return surface + opacity.toString(16).padStart(2, '0')
}
