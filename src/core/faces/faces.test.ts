import { describe, expect, test } from 'vitest'
import { fontFeatures, shownType } from '.'
import { readFaceRules } from './read-rules'

const page = (body: string): string => `<!doctype html><html><head><title>x</title></head><body>${body}</body></html>`
/** The weights in which a page shows a family, upright and slanted. */
function weights(css: string, body: string, family = 'Alder'): { readonly normal: readonly number[]; readonly italic: readonly number[] } {
  const shown = shownType(css, [page(body)], [family]).faces
  return { normal: shown?.(family, 'normal')?.weights ?? [], italic: shown?.(family, 'italic')?.weights ?? [] }
}
const ALDER = 'body{font-family:"Alder",serif}'

describe('which faces pages show', () => {
  test('headings and strong words are bold of their own accord, slanted ones slanted (HTML, 15.3)', () => {
    expect(weights(ALDER, '<h2>Bold</h2>')).toEqual({ normal: [700], italic: [] })
    expect(weights(ALDER, '<p>Plain <strong>bold</strong> <em>slanted</em></p>')).toEqual({ normal: [400, 700], italic: [400] })
  })

  test('“bolder” goes by what is around it (CSS Fonts 4, 2.2.1, the table of relative weights)', () => {
    const bolder = (weight: number): readonly number[] => weights(`${ALDER} p{font-weight:${weight}}`, '<p><b>words</b></p>').normal
    expect([100, 349, 350, 549, 550, 899, 900].map((weight) => bolder(weight)[0])).toEqual([400, 400, 700, 700, 900, 900, 900])
    const lighter = (weight: number): readonly number[] =>
      weights(`${ALDER} p{font-weight:${weight}} b{font-weight:lighter}`, '<p><b>words</b></p>').normal
    expect([99, 100, 549, 550, 749, 750, 900].map((weight) => lighter(weight)[0])).toEqual([99, 100, 100, 400, 400, 700, 700])
  })

  test('what holds is what the cascade has: layers, how exactly a selector says, where it stands (CSS Cascade 5, 6.1)', () => {
    expect(weights(`${ALDER} p{font-weight:500} .a{font-weight:600} p{font-weight:300}`, '<p class="a">x</p>').normal).toEqual([600])
    expect(weights(`${ALDER} p{font-weight:500} p{font-weight:300}`, '<p>x</p>').normal).toEqual([300])
    expect(weights(`${ALDER} @layer pack{#a{font-weight:600}} p{font-weight:300}`, '<p id="a">x</p>').normal).toEqual([300])
    expect(
      weights(`@layer one,two;${ALDER} @layer two{p{font-weight:500}} @layer one{#a{font-weight:600}}`, '<p id="a">x</p>').normal,
    ).toEqual([500])
    // Selectors 4, 17: the most exact of what :is() holds counts, of what :where() holds nothing.
    expect(weights(`${ALDER} :is(p,#b){font-weight:600} .a{font-weight:300}`, '<p class="a">x</p>').normal).toEqual([600])
    expect(weights(`${ALDER} :where(p,#b){font-weight:600} p{font-weight:300}`, '<p class="a">x</p>').normal).toEqual([300])
  })

  test('what stands around counts, right around or anywhere', () => {
    const css = `${ALDER} .box p{font-weight:500} .box>p{font-weight:600}`
    expect(weights(css, '<div class="box"><p>x</p></div>').normal).toEqual([600])
    expect(weights(css, '<div class="box"><div><p>x</p></div></div>').normal).toEqual([500])
    expect(weights(css, '<p>x</p>').normal).toEqual([400])
  })

  test('what holds only in some windows or states can be shown beside what holds without', () => {
    expect(weights(`${ALDER} @media (width>40em){p{font-weight:600}}`, '<p>x</p>').normal).toEqual([400, 600])
    expect(weights(`${ALDER} p:hover{font-style:italic}`, '<p>x</p>')).toEqual({ normal: [400], italic: [400] })
    expect(weights(`${ALDER} p+p{font-weight:600}`, '<p>x</p><p>y</p>').normal).toEqual([400, 600])
    expect(weights(`${ALDER} @media print{@layer a{p{font-weight:600}}}`, '<p>x</p>').normal).toEqual([400, 600])
    expect(weights(`${ALDER} p{font-weight:600!important}`, '<p>x</p>').normal).toEqual([400, 600])
    // One rule sets both or neither.
    const both = 'p:first-child{font-family:"Beech";font-weight:600}'
    expect([weights(ALDER + both, '<p>x</p>').normal, weights(ALDER + both, '<p>x</p>', 'Beech').normal]).toEqual([[400], [600]])
  })

  test('today among opening hours is told by a script, so it can be on any row; any other mark is where it is', () => {
    const css = `${ALDER} [aria-current=date]{font-weight:700} [aria-current=page]{font-weight:600}`
    expect(weights(css, '<table><tr data-days="1"><td>9 to 5</td></tr></table>').normal).toEqual([400, 700])
    expect(weights(css, '<a aria-current="page">Here</a>').normal).toEqual([400, 600])
    expect(weights(css, '<a>There</a>').normal).toEqual([400])
  })

  test('a family is found by its name however that is written, since one that is not found is not published (CSS Syntax 3, 4.3.7)', () => {
    for (const [name, written] of [
      ['A&B', 'A\\&B,serif'],
      ["O'Neil", "O\\'Neil,serif"],
      ['Foo: Bar', '"Foo: Bar",serif'],
      ['Bébé 2', 'B\\e9 b\\e9  \\32 ,serif'],
      ['A&B', 'serif'],
    ] as const)
      expect(weights(`p{font-family:${written}}`, '<p>x</p>', name).normal, written).toEqual(written === 'serif' ? [] : [400])
  })

  test('a layer without a name and one within another are left open, and what goes back to an earlier layer is not read', () => {
    const css = `${ALDER} @layer{#a{font-weight:600}} p{font-weight:300}`
    expect(weights(css, '<p id="a">x</p>').normal).toEqual([300, 600])
    expect(weights(`${ALDER} @layer a{@layer b{#a{font-weight:600}}p{font-weight:300}}`, '<p id="a">x</p>').normal).toEqual([300, 600])
    expect(readFaceRules('p{font-weight:revert-layer}')).toBeNull()
  })

  test('what is filled in, and what a design writes before words, is shown too', () => {
    expect(weights(`${ALDER} input{font:inherit}`, '<input>').normal).toEqual([400])
    expect(weights(ALDER, '<input>').normal).toEqual([])
    expect(weights(`${ALDER} i::before{content:"No. ";font-weight:800}`, '<i></i>').italic).toEqual([400, 800])
  })

  test('custom properties stand for each of their values', () => {
    expect(
      weights(`:root{--f:"Alder",serif;--w:500} .b{--w:600} body{font-family:var(--f)} p{font-weight:var(--w)}`, '<p>x</p>').normal,
    ).toEqual([500, 600])
    expect(weights(`${ALDER} p{font-weight:var(--gone,300)}`, '<p>x</p>').normal).toEqual([300])
  })

  test('how many a page shows, and which every page', () => {
    const shown = shownType(ALDER, [page('<p>x</p>'), page('<h1>x</h1><p>y</p>')], ['Alder']).faces
    expect(shown?.('Alder', 'normal')).toEqual({ weights: [400, 700], everywhere: [400], perPage: 1.5 })
    expect(shown?.('Alder', 'italic')).toBeNull()
  })

  test('letters are those of words, of what a picture says where it does not come, and of what the style sheet writes', () => {
    const { letters } = shownType('q{quotes:"«" "»"}', [page('<p class="x" title="z">a</p><img alt="b"><script>c</script>')], [])
    expect([...letters].sort().join('')).toBe('ab«»')
  })

  test('a style sheet that says it in a way that is not read leaves every face in', () => {
    for (const said of [
      'font:italic 700 1rem "Alder"',
      'font-variation-settings:"wght" 300',
      'font-weight:var(--nowhere)',
      'font-weight:calc(1*400)',
    ])
      expect(readFaceRules(`p{${said}}`), said).toBeNull()
  })
})

describe('which features a font needs (CSS Fonts 4, 6; OpenType’s registered features)', () => {
  test('what every text is shaped with, and what is asked for', () => {
    expect(fontFeatures('', new Set('a'))).toEqual(expect.arrayContaining(['kern', 'liga', 'locl', 'mark', 'init', 'fina']))
    expect(fontFeatures('', new Set('a'))).not.toContain('tnum')
    expect(fontFeatures('td{font-variant-numeric:tabular-nums lining-nums}', new Set('a'))).toEqual(
      expect.arrayContaining(['tnum', 'lnum']),
    )
    expect(fontFeatures('p{font-variant:all-small-caps}', new Set('a'))).toEqual(expect.arrayContaining(['smcp', 'c2sc']))
    expect(fontFeatures('p{font-feature-settings:"ss01" 1,"cv05"}', new Set('a'))).toEqual(expect.arrayContaining(['ss01', 'cv05']))
    expect(fontFeatures('p{font:small-caps 1rem "Alder"}', new Set('a'))).toContain('smcp')
  })

  test('fractions where some are written, and every feature where it cannot be told', () => {
    expect(fontFeatures('', new Set('1⁄2'))).toEqual(expect.arrayContaining(['frac', 'numr', 'dnom']))
    expect(fontFeatures('', new Set('12'))).not.toContain('frac')
    expect(fontFeatures('p{font-feature-settings:var(--x)}', new Set('a'))).toBeNull()
    expect(fontFeatures('p{font-variant-alternates:styleset(a)}', new Set('a'))).toBeNull()
  })
})
