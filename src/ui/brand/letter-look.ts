import type { CSSProperties } from 'react'
import { shownFact, type Site } from '@/core/fill'
import { familyCss, siteFamilies, styleFamily } from '@/core/render'
import type { TextStyle } from '@/core/type'

type Letters = Pick<TextStyle, 'family' | 'weight' | 'spacing' | 'case'>

/** How the letters of a text style, or of a name set as a logo, are shown on our own screens. */
export function letterLook(site: Site, { family, weight, spacing, case: letterCase }: Letters): CSSProperties {
  return {
    fontFamily: familyCss(styleFamily(site, family)),
    fontWeight: weight,
    letterSpacing: `${spacing}em`,
    textTransform: letterCase === 'upper' ? 'uppercase' : 'none',
    fontVariantCaps: letterCase === 'small-caps' ? 'small-caps' : 'normal',
  }
}

/** What stands where there is no picture for a logo: the name, plain or set as a logo. */
export function nameLook(site: Site): { readonly words: string; readonly look: CSSProperties } {
  const { wordmark } = site.document.brand
  const plain: Letters = { family: siteFamilies(site).display.key, weight: 600, spacing: 0, case: 'none' }
  return { words: wordmark?.text ?? shownFact(site, 'name').text, look: letterLook(site, wordmark ?? plain) }
}
