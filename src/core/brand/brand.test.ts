import { expect, test } from 'vitest'
import { testPack } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'
import { findSpecimen, planTokens, usageOfStyle, usageOfTone, readTokens, toCssVariables, toDesignTokens } from '.'
import { makeDocument, siteScheme, type Site } from '../fill'
import { getTemplate } from '../pack'
import { textStylesOf } from '../render'
import { allSections, applyEdit, homePage, pagesOf, type Brand, type Edit, type SiteDocument } from '../site'

const PACK = testPack()
const siteOf = (brand: Brand, template = 'tallow'): Site => ({
  document: makeDocument(getTemplate(PACK, template), { name: 'Hollin & Sparrow' }, brand),
  pack: PACK,
  assets: {},
  mode: 'sheet',
})
const apply = (document: SiteDocument, edit: Edit): SiteDocument => {
  const applied = applyEdit(document, edit)
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied.document
}
const taken = (site: Site, text: string): Site => {
  const read = readTokens(text)
  if (!read.ok) throw new Error(read.fault)
  return { ...site, document: apply(site.document, { type: 'batch', edits: [...planTokens(site, read.tokens).edits] }) }
}

const FULL: Brand = {
  colour: '#7a2e1d',
  second: '#24505a',
  third: '#a07a1f',
  roles: { 'light/paper/link': '#552200', 'light/tint/surface': '#f2e6d0' },
  gradient: { angle: 120, strength: 0.4 },
  display: 'lora',
  text: 'inter',
  styles: { h1: { weight: 600, desktop: 64, phone: 40, spacing: -0.01 }, body: { desktop: 19, phone: 18, line: 1.6 } },
  shape: { corner: 10, rule: 2, density: 0.9, shadow: { x: 0, y: 4, blur: 12, strength: 0.2 } },
}

test('a brand taken out as tokens and brought into a fresh job gives the same look', () => {
  for (const template of ['tallow', 'limewash', 'gantry']) {
    const from = siteOf(FULL, template)
    const to = taken(siteOf({}, template), JSON.stringify(toDesignTokens(from)))
    expect(siteScheme(to)).toEqual(siteScheme(from))
    expect(textStylesOf(to)).toEqual(textStylesOf(from))
    expect(to.document.brand.shape).toEqual(FULL.shape)
    expect([to.document.brand.display, to.document.brand.text]).toEqual(['lora', 'inter'])
    expect(taken(from, JSON.stringify(toDesignTokens(from))).document).toEqual(from.document)
  }
})

test('a size set for desktop takes the phone’s along until that is set too, and a token file keeps both as they were', () => {
  const size = (styles: Brand['styles']): readonly number[] => {
    const { phone, desktop } = textStylesOf(siteOf({ styles })).h1
    return [phone, desktop]
  }
  // Common practice, no source: 40 px on desktop is about 28 on the phone.
  expect(size({ h1: { desktop: 40 } })).toEqual([28, 40])
  expect(size({ h1: { desktop: 60 } })).toEqual([38, 60])
  expect(size({ h1: { desktop: 60, phone: 30 } })).toEqual([30, 60])
  const own = textStylesOf(siteOf({})).h1.phone
  for (const styles of [{ h1: { desktop: 40 } }, { h1: { desktop: 64, phone: own } }]) {
    const from = siteOf({ styles })
    expect(textStylesOf(taken(siteOf({}), JSON.stringify(toDesignTokens(from))))).toEqual(textStylesOf(from))
  }
})

test('as CSS variables it comes back just as whole', () => {
  const from = siteOf(FULL)
  const css = toCssVariables(from)
  expect(css).toContain('--brand-colour: #7a2e1d;')
  expect(css).toContain('--style-h1-desktop-size: 64px;')
  const to = taken(siteOf({}), css)
  expect(siteScheme(to)).toEqual(siteScheme(from))
  expect(textStylesOf(to)).toEqual(textStylesOf(from))
  expect(to.document.brand.shape).toEqual(FULL.shape)
  expect(to.document.brand.gradient).toEqual(FULL.gradient)
  expect([to.document.brand.display, to.document.brand.text]).toEqual(['lora', 'inter'])
})

test('a token that is thousands of names away from a value is said to be, and the others are read', () => {
  const chain = Object.fromEntries(Array.from({ length: 4000 }, (_, i) => [`t${i}`, { $type: 'color', $value: `{t${i + 1}}` }]))
  const read = readTokens(JSON.stringify({ ...chain, t4000: { $type: 'color', $value: '#204060' } }))
  if (!read.ok) throw new Error(read.fault)
  expect(read.tokens.length).toBe(50)
  expect(read.notes[0]).toMatch(/^t0: it is more than 50 names away from a value/)
})

test('another’s token file is understood by its names, with aliases, groups’ types and older notations', () => {
  const file = {
    palette: { $type: 'color', rust: { $value: '#b0472c' }, sea: { $value: { colorSpace: 'oklch', components: [0.45, 0.08, 210] } } },
    color: {
      $type: 'color',
      primary: { $value: '{palette.rust}' },
      secondary: { $value: '{palette.sea}' },
      loop: { $value: '{color.pool}' },
      pool: { $value: '{color.loop}' },
      gone: { $value: '{palette.none}' },
    },
    font: { heading: { $type: 'fontFamily', $value: ['Playfair Display', 'serif'] }, body: { $type: 'fontFamily', $value: 'Nobody Sans' } },
  }
  const read = readTokens(JSON.stringify(file))
  if (!read.ok) throw new Error(read.fault)
  expect(read.notes).toEqual([
    expect.stringMatching(/^color\/loop: it stands for itself/),
    expect.stringMatching(/^color\/pool: it stands for itself/),
    expect.stringMatching(/^color\/gone: it stands for “palette\.none”/),
  ])
  const plan = planTokens(siteOf({}), read.tokens)
  expect(plan.edits.map((edit) => edit.type === 'brand/set' && [edit.part, edit.value])).toEqual([
    ['colour', '#b0472c'],
    ['second', expect.stringMatching(/^#[0-9a-f]{6}$/)],
    ['display', 'playfair-display'],
  ])
  expect(plan.notes).toEqual(['There is no family “Nobody Sans” here. Bring its font file in, or choose another.'])
})

test('in CSS digits alone are numbers, never colours', () => {
  const read = readTokens(':root { --a: 120; --b: 600; --c: 40; --d: #120; --e: teal; --f: "Lora", serif; --g: 12px }')
  expect(read.ok && read.tokens.map((t) => [t.path, t.type])).toEqual([
    ['a', 'number'],
    ['b', 'number'],
    ['c', 'number'],
    ['d', 'colour'],
    ['e', 'colour'],
    ['f', 'families'],
    ['g', 'size'],
  ])
})

test('a file that holds no tokens is refused with what is wrong', () => {
  for (const [text, words] of [
    ['', /empty/],
    ['{"a":', /not valid JSON/],
    ['[1]', /outermost part/],
    ['{"a":{"b":1}}', /no token/],
    ['p { color: red }', /neither JSON nor CSS/],
  ] as const) {
    const read = readTokens(text)
    expect(read.ok ? '' : read.fault, text).toMatch(words)
  }
})

test('what a change reaches is counted on the site itself', () => {
  const site = siteOf({})
  const h1 = usageOfStyle(site, 'h1')
  expect(h1).toEqual({ places: pagesOf(site.document).length, pages: pagesOf(site.document).length })
  expect(usageOfStyle(site, 'h4')).toEqual({ places: 0, pages: 0 })
  const ink = allSections(site.document).filter((s) => s.tone === 'ink').length
  expect(usageOfTone(site, 'ink').places).toBe(ink)
  expect(usageOfTone(site, 'picture')).toEqual({ places: 0, pages: 0 })
})

test('the specimen is made of the site’s own words', () => {
  const site = siteOf({})
  const filled = edited(site.document, setText('home.hero', 'heading', 'Clocks & watches mended'))
  const words = findSpecimen({ ...site, document: filled }, homePage(filled))
  expect(words.h1).toBe('Clocks & watches mended')
  expect(words.body.length).toBeGreaterThan(60)
  expect(words.h5).not.toBe('')
})

test('a brand part that does not fit is refused, and one that does is taken back by its inverse', () => {
  const { document } = siteOf({})
  for (const [part, value] of [
    ['styles', { body: { desktop: 12 } }],
    ['roles', { 'light/paper/nothing': '#000000' }],
    ['shape', { corner: -4 }],
    ['display', 'No Key'],
    ['fonts', [{ file: '../etc' }]],
    ['colour', 7],
  ] as const) {
    expect(applyEdit(document, { type: 'brand/set', part, value }), part).toMatchObject({
      ok: false,
      problem: { code: 'valueWrong', place: `brand ${part}` },
    })
  }
  const applied = applyEdit(document, { type: 'brand/set', part: 'shape', value: { corner: 8 } })
  if (!applied.ok) throw new Error('not applied')
  expect(applied.document.brand.shape).toEqual({ corner: 8 })
  expect(apply(applied.document, applied.inverse)).toEqual(document)
})
