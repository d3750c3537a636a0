import { own } from '../own'
import type { OwnFont } from '../site'
import { FALLBACKS, type Family } from './family'
import { FAMILIES } from './shipped-families'

/** The client's own families, from the font files they sent. */
export function ownFamilies(fonts: readonly OwnFont[]): Family[] {
  return [...new Set(fonts.map((f) => f.family))].flatMap((key) => {
    const files = fonts.filter((f) => f.family === key)
    const [first] = files
    return first
      ? [
          {
            // Of two families of one name a browser would make one.
            key,
            name: Object.values(FAMILIES).some((f) => f.name === first.name) ? `${first.name} own` : first.name,
            kind: 'sans' as const,
            fallback: FALLBACKS.sans,
            x: first.x,
            cap: first.cap,
            width: first.width,
            manner: '',
            licence: 'the client’s own',
            files: files.map((f) => ({
              file: f.file,
              package: null,
              weight: f.weight,
              style: f.style,
              range: null,
              whole: f.whole === true,
            })),
          },
        ]
      : []
  })
}

/** A family by its key: one of the client's own, or a shipped one; null where there is none. */
export function findFamily(key: string, fonts: readonly OwnFont[] = []): Family | null {
  return ownFamilies(fonts).find((f) => f.key === key) ?? (Object.hasOwn(FAMILIES, key) ? (own(FAMILIES, key) ?? null) : null)
}

export function getFamily(key: string, fonts: readonly OwnFont[] = []): Family {
  const family = findFamily(key, fonts)
  if (!family) throw new Error(`No type family ${key}`)
  return family
}
