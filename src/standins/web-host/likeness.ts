import { domainToUnicode } from 'node:url'
import unhomoglyph from 'unhomoglyph'

/**
 * What a label looks like: two that look the same can be mistaken for each other (UTS 39, 4: skeletons, by Unicode's table of look-alikes).
 * Hyphens, accents and how wide a letter is are easily missed as well; two v's make a w. Common practice, no source.
 */
export function likenessOf(label: string): string {
  const bare = domainToUnicode(label)
    .normalize('NFKD')
    .replaceAll(/[\p{M}-]/gu, '')
  return unhomoglyph(unhomoglyph(bare).toLowerCase()).toLowerCase().replaceAll('vv', 'w')
}
