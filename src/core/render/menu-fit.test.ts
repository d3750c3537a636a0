import { describe, expect, test } from 'vitest'
import { designCss, menuFrom, menuKeyOf, NEVER } from '.'
import type { Site } from '../fill'
import { getDesign } from '../pack'
import type { EditStep, PageId, SiteDocument } from '../site'
import { testPack, testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'

const site = testSite({ name: 'Client' })
const on = (document: SiteDocument): Site => ({ ...site, document })
const about = 'about' as PageId

describe('the width from which a menu stands in the page', () => {
  test('takes the place of the one at which the header’s design changes by itself, and of that alone', () => {
    const { css } = getDesign(testPack(), 'header', 'ledger-head')
    expect(css).toMatch(/\(max-width: 45\.99rem\)/)
    expect(css).toMatch(/\(min-width: 46rem\)/)
    const later = menuFrom(css, 1120)
    expect(later.match(/\((min|max)-width: [\d.]+rem\)/g)?.toSorted()).toEqual(['(max-width: 69.99rem)', '(min-width: 70rem)'])
    expect(later.replaceAll('69.99rem', '45.99rem').replaceAll('(min-width: 70rem)', '(min-width: 46rem)')).toBe(css)
    expect(menuFrom(css, null)).toBe(css)
    expect(menuFrom(css, 600)).toBe(css)
    expect(menuFrom(css, NEVER)).toContain(`(min-width: ${NEVER / 16}rem)`)
  })

  test('is said to the header only, in a site’s styles', () => {
    const plain = designCss(site)
    const later = designCss({ ...site, menuFrom: 1120 })
    expect(later).toContain('(min-width: 70rem)')
    const count = (css: string, what: RegExp): number => css.match(what)?.length ?? 0
    // The ground rules and the other designs change where they did.
    expect(count(plain, /min-width: ?46rem/g) - count(later, /min-width: ?46rem/g)).toBe(1)
    expect(count(later, /min-width: 70rem/g) - count(plain, /min-width: 70rem/g)).toBe(1)
  })
})

describe('what a measure holds for', () => {
  const key = (document: SiteDocument): string => menuKeyOf(on(document))
  const changed = (step: EditStep): boolean => key(edited(site.document, step)) !== key(site.document)

  test('a label, an entry, its order, the header’s look, its type and its words make it another', () => {
    expect(changed({ type: 'page/set', page: about, part: 'label', value: 'All about us' })).toBe(true)
    expect(changed({ type: 'page/set', page: about, part: 'listed', value: 'nowhere' })).toBe(true)
    expect(changed({ type: 'page/move', page: about, rank: 'z9' })).toBe(true)
    expect(changed({ type: 'section/set', section: 'header' as never, part: 'design', value: 'line' })).toBe(true)
    expect(
      changed({ type: 'brand/set', part: 'scale', value: { phone: { base: 22, ratio: 1.2 }, desktop: { base: 24, ratio: 1.2 } } }),
    ).toBe(true)
    expect(changed({ type: 'fact/set', fact: 'name', value: 'A much longer name' })).toBe(true)
    expect(changed({ type: 'fact/set', fact: 'language', value: 'he' })).toBe(true)
  })

  test('what is said on pages, and what they are found at, does not', () => {
    expect(changed(setText('home.hero', 'heading', 'Else'))).toBe(false)
    expect(changed({ type: 'page/set', page: about, part: 'description', value: 'Else' })).toBe(false)
    expect(key(site.document)).toMatch(/^[0-9a-f]{16}$/)
  })
})
