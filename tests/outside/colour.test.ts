import Color from 'colorjs.io'
import { filterDeficiencyDeuter, filterDeficiencyProt, filterDeficiencyTrit } from 'culori'
import { expect, test } from 'vitest'
import { hex as referenceContrast } from 'wcag-contrast'
import {
  adviseBrand,
  brandMoves,
  colourDistance,
  contrastRatio,
  fitContrast,
  fromOklch,
  layOver,
  makeScheme,
  moveBetween,
  parseColour,
  relativeLuminance,
  toOklch,
  veilOpacity,
  VISION_MATRICES,
  visionFilter,
} from '../../src/core/colour'
import { ROLES, TONES, type Role } from '../../src/core/site'
import { random, randomHex } from '../random'
import { testPack } from '../pack'

const SPEC = testPack().templates.tallow!.schemes[0]!

test('relative luminance and contrast follow the definition of WCAG 2.2', () => {
  // WCAG 2.2, “relative luminance” and “contrast ratio”: 21:1 for black on white, 1:1 for a colour on itself.
  expect(contrastRatio('#000000', '#ffffff')).toBe(21)
  expect(contrastRatio('#7a2e1d', '#7a2e1d')).toBe(1)
  expect(relativeLuminance('#ff0000')).toBeCloseTo(0.2126, 10)
  expect(relativeLuminance('#00ff00')).toBeCloseTo(0.7152, 10)
  expect(relativeLuminance('#0000ff')).toBeCloseTo(0.0722, 10)
  // Understanding SC 1.4.3 gives #767676 as the lightest grey that reaches 4.5 on white; #777777 does not (from memory).
  expect(contrastRatio('#767676', '#ffffff')).toBeGreaterThanOrEqual(4.5)
  expect(contrastRatio('#777777', '#ffffff')).toBeLessThan(4.5)
  // Worked by hand from the definition: #808080 has (128/255 + 0.055)/1.055 raised to 2.4 = 0.21586.
  expect(relativeLuminance('#808080')).toBeCloseTo(0.21586, 5)
})

test('contrast agrees with two reference libraries for 2,000 seeded pairs', () => {
  const next = random(1)
  for (let i = 0; i < 2000; i++) {
    const [a, b] = [randomHex(next), randomHex(next)]
    expect(contrastRatio(a, b)).toBeCloseTo(new Color(a).contrast(new Color(b), 'WCAG21'), 2)
    expect(Math.abs(contrastRatio(a, b) - referenceContrast(a, b))).toBeLessThan(0.02) // wcag-contrast still has the threshold 0.03928.
  }
})

test('OKLCH agrees with a reference library, both ways, for 1,000 seeded colours', () => {
  const next = random(2)
  for (let i = 0; i < 1000; i++) {
    const colour = randomHex(next)
    const ours = toOklch(colour)
    const [l = 0, c = 0, h = 0] = new Color(colour).to('oklch').coords.map(Number)
    expect(ours.l).toBeCloseTo(l, 3)
    expect(ours.c).toBeCloseTo(c, 3)
    if (c > 0.01) expect(Math.min(Math.abs(ours.h - h), 360 - Math.abs(ours.h - h))).toBeLessThan(0.5)
    expect(fromOklch(ours)).toBe(colour)
  }
})

test('CSS Color 4’s own pairs of notations name one colour', () => {
  // CSS Color Module Level 4: sections 5.2 (hex), 6.1 (named), 7 (hsl), 8 (hwb), 9.3 and 9.4 (OKLab, OKLCH samples of green).
  for (const [text, hex] of [
    ['rebeccapurple', '#663399'],
    ['#0f0', '#00ff00'],
    ['rgb(0 255 0)', '#00ff00'],
    ['rgb(0% 100% 0%)', '#00ff00'],
    ['hsl(120 100% 50%)', '#00ff00'],
    ['hsl(120deg 100% 25%)', '#008000'],
    ['hwb(120 0% 49.8039%)', '#008000'],
    ['oklab(51.975% -0.1403 0.10768)', '#008000'],
    ['oklch(51.975% 0.17686 142.495)', '#008000'],
    ['7A2E1D', '#7a2e1d'],
  ] as const) {
    expect(parseColour(text), text).toEqual({ ok: true, hex })
  }
  for (const bad of ['mauvish', '#12345', 'rgb(1,2', '', 'url(x)', '#00000080']) expect(parseColour(bad).ok, bad).toBe(false)
})

// What each role is on its surface, and the least contrast WCAG 2.2 asks of it: 1.4.3 for text, 1.4.11 for controls and focus.
const LEAST: Partial<Record<Role, number>> = { text: 4.5, heading: 4.5, muted: 4.5, link: 4.5, mark: 4.5, 'button-edge': 3, focus: 3 }

test('every text and control on every tone passes for 600 seeded brands and the hard ones, recomputed by a second library', () => {
  const next = random(4)
  const hard = ['#ffff00', '#000000', '#ffffff', '#808080', '#777777', '#00ff00', '#0000ff', '#ff00ff', '#fffffe', '#010101']
  const brands = [...hard, ...Array.from({ length: 600 }, () => randomHex(next))]
  let checked = 0
  for (const brand of brands) {
    const scheme = makeScheme(SPEC, { colour: brand })
    for (const tone of TONES) {
      const roles = scheme[tone]
      for (const ground of [roles.surface, roles.plane]) {
        const surface = new Color(ground)
        for (const role of ROLES) {
          const least = LEAST[role]
          if (least === undefined) continue
          checked++
          if (surface.contrast(new Color(roles[role]), 'WCAG21') < least)
            throw new Error(`${role} ${roles[role]} on ${tone} ${ground} for ${brand}`)
        }
      }
      checked++
      if (new Color(roles.button).contrast(new Color(roles['button-text']), 'WCAG21') < 4.5)
        throw new Error(`button text for ${brand} on ${tone}`)
    }
  }
  expect(checked).toBe(brands.length * TONES.length * 15)
})

test('a colour that passes is not moved; one that fails is moved no further than it must be', () => {
  expect(fitContrast('#333333', '#ffffff', 4.5)).toBe('#333333')
  const next = random(5)
  for (let i = 0; i < 500; i++) {
    const [colour, surface] = [randomHex(next), randomHex(next)]
    const fitted = fitContrast(colour, surface, 4.5)
    expect(contrastRatio(fitted, surface)).toBeGreaterThanOrEqual(4.5)
    if (fitted !== colour && contrastRatio(colour, surface) < 4.4) expect(contrastRatio(fitted, surface)).toBeLessThan(4.75)
  }
})

test('the veil over a picture is no stronger than it must be, and no pixel there is makes the text on it fail', () => {
  const next = random(6)
  for (let i = 0; i < 300; i++) {
    const { picture } = makeScheme(SPEC, { colour: randomHex(next), second: randomHex(next) })
    const opacity = veilOpacity(picture.surface, picture.text, 4.5)
    const seen = (pixel: string, at: number): number =>
      new Color(layOver(picture.surface, pixel, at)).contrast(new Color(picture.text), 'WCAG21')
    for (const pixel of ['#000000', '#ffffff', ...Array.from({ length: 20 }, () => randomHex(next))])
      expect(seen(pixel, opacity)).toBeGreaterThanOrEqual(4.5)
    if (opacity > 0) expect(Math.min(seen('#000000', opacity - 0.01), seen('#ffffff', opacity - 0.01))).toBeLessThan(4.5)
  }
})

test(
  'roles set by hand are used as they are where they can be read, moved no further than they must be where not, ' +
    'and nothing else can fail for them',
  () => {
    const next = random(11)
    for (let i = 0; i < 1500; i++) {
      const tone = TONES[i % TONES.length]!
      const roles = Object.fromEntries(ROLES.filter(() => next() < 0.4).map((role) => [`light/${tone}/${role}`, randomHex(next)]))
      const scheme = makeScheme(SPEC, { colour: randomHex(next), roles })[tone]
      for (const ground of ['surface', 'plane'] as const)
        for (const [role, least] of Object.entries(LEAST)) {
          const found = new Color(scheme[ground]).contrast(new Color(scheme[role as Role]), 'WCAG21')
          if (found < least) throw new Error(`${role} on ${tone} ${ground}: ${found.toFixed(2)} with ${JSON.stringify(roles)}`)
        }
      const link = roles[`light/${tone}/link`]
      if (link && contrastRatio(link, scheme.surface) >= 4.51 && contrastRatio(link, scheme.plane) >= 4.51) expect(scheme.link).toBe(link)
    }
  },
)

test('OKLCH gives the very numbers of CSS Color 4’s samples, both ways', () => {
  // CSS Color Module Level 4, examples of 9.3 and 9.4: green (#008000) is oklch(51.975% 0.17686 142.495), and the sample
  // oklch(59.686% 0.1009 29.23) of section 9.4 is rgb(70.07% 45.98% 41.2%) there (from memory).
  const green = toOklch('#008000')
  expect(green.l).toBeCloseTo(0.51975, 4)
  expect(green.c).toBeCloseTo(0.17686, 4)
  expect(green.h).toBeCloseTo(142.495, 2)
  expect(fromOklch({ l: 0.51975, c: 0.17686, h: 142.495 })).toBe('#008000')
  for (const text of [
    'oklch(40.101% 0.12332 21.555)',
    'oklch(59.686% 0.15619 49.7694)',
    'oklch(0.65125 0.13138 104.097)',
    'oklch(0.66016 0.15546 134.231)',
  ]) {
    const [l = 0, c = 0, h = 0] = new Color(text).coords.map(Number)
    expect(fromOklch({ l, c, h })).toBe(new Color(text).to('srgb').toString({ format: 'hex', collapse: false }))
  }
})

test('two digits are a grey, and a see-through colour is told with what it looks like on white', () => {
  expect(parseColour('FA')).toEqual({ ok: true, hex: '#fafafa' })
  expect(parseColour('#0a')).toEqual({ ok: true, hex: '#0a0a0a' })
  const half = parseColour('rgb(255 0 0 / 50%)')
  // Half of red over white, worked by hand: 255, 128, 128.
  expect(half.ok ? '' : half.fault).toMatch(/50 %.*#ff8080/)
  const none = parseColour('transparent')
  expect(none.ok ? '' : none.fault).toMatch(/wholly transparent/)
})

test('where a brand colour had to be moved is said with the way it went, as a reference library measures it', () => {
  const brand = { colour: '#ffff00', second: '#ffff00', third: '#7a2e1d' }
  const scheme = makeScheme(SPEC, brand)
  const moves = brandMoves(scheme, brand)
  expect(moves.find((m) => m.tone === 'paper' && m.role === 'link')).toMatchObject({ asked: '#ffff00', drawn: scheme.paper.link })
  expect(moves.some((m) => m.tone === 'accent' && m.role === 'surface')).toBe(false) // Used as it is.
  for (const { asked, drawn, lightness, distance } of moves) {
    const [from = 0] = new Color(asked).to('oklch').coords.map(Number)
    const [to = 0] = new Color(drawn).to('oklch').coords.map(Number)
    expect(Math.abs(lightness - (to - from) * 100)).toBeLessThan(0.6)
    expect(distance).toBeCloseTo(new Color(asked).deltaE(new Color(drawn), 'OK'), 3)
  }
  expect(moveBetween('#123456', '#123456')).toBeNull()
})

test('the advice says where a brand colour had to move, and which colours are hardly apart', () => {
  expect(adviseBrand(SPEC, { colour: '#ffff00' })[0]).toMatch(
    /^On paper it reaches 1\.\d:1, and text needs 4\.5:1; links use #[0-9a-f]{6} there/,
  )
  expect(adviseBrand(SPEC, { colour: '#7a2e1d' })).toEqual([])
  expect(adviseBrand(SPEC, { colour: '#7a2e1d', second: '#7b2f1e' })).toEqual([
    'Two of these colours are hardly apart; a visitor will take them for one.',
  ])
  const next = random(8)
  for (let i = 0; i < 300; i++) {
    const [a, b] = [randomHex(next), randomHex(next)]
    expect(colourDistance(a, b)).toBeCloseTo(new Color(a).deltaE(new Color(b), 'OK'), 3)
  }
})

test('the ways of seeing have the numbers of the paper’s table, as a reference library carries them', () => {
  // Machado, Oliveira and Fernandes 2009, table 1, severity 1.0, as the package “culori” holds it.
  const reference = { protan: filterDeficiencyProt(1), deutan: filterDeficiencyDeuter(1), tritan: filterDeficiencyTrit(1) }
  for (const vision of ['protan', 'deutan', 'tritan'] as const) {
    for (const [column, unit] of [
      [0, { mode: 'rgb', r: 1, g: 0, b: 0 }],
      [1, { mode: 'rgb', r: 0, g: 1, b: 0 }],
      [2, { mode: 'rgb', r: 0, g: 0, b: 1 }],
    ] as const) {
      const seen = reference[vision](unit) as { r: number; g: number; b: number }
      for (const [row, value] of [seen.r, seen.g, seen.b].entries())
        expect(VISION_MATRICES[vision][row]![column], `${vision} ${row} ${column}`).toBeCloseTo(value, 6)
    }
    // A grey is seen as the same grey: every row adds up to one.
    for (const row of VISION_MATRICES[vision]) expect(row[0] + row[1] + row[2]).toBeCloseTo(1, 5)
  }
  expect(visionFilter('mono')).toBe('0.2126 0.7152 0.0722 0 0 0.2126 0.7152 0.0722 0 0 0.2126 0.7152 0.0722 0 0 0 0 0 1 0')
})

test('yellow stays yellow: a bright button keeps the client’s colour, with dark words and an edge that passes; so does a stripe', () => {
  for (const colour of ['#ffd400', '#ffff00', '#f6c915', '#7fff5a', '#ffb3d1']) {
    const { paper, ink } = makeScheme(SPEC, { colour, third: colour })
    expect([paper.button, paper.stripe]).toEqual([colour, colour])
    const ratio = (a: string, b: string): number => new Color(a).contrast(new Color(b), 'WCAG21')
    expect(ratio(paper['button-edge'], paper.surface)).toBeGreaterThanOrEqual(3)
    expect(ratio(paper['button-text'], paper.button)).toBeGreaterThanOrEqual(4.5)
    // What is read, and what tells the focus, is moved as ever.
    expect(ratio(paper.mark, paper.surface)).toBeGreaterThanOrEqual(4.5)
    expect(ratio(paper.focus, paper.surface)).toBeGreaterThanOrEqual(3)
    // Where it stands out by itself, there is no edge to be seen.
    expect([ink.button, ink['button-edge']]).toEqual([colour, colour])
  }
})

test('a colour that can be told from its surface has no edge, a dim one on a dark surface is moved, and a white one is no stripe', () => {
  const { paper, ink } = makeScheme(SPEC, { colour: '#7a2e1d' })
  expect([paper.button, paper['button-edge']]).toEqual(['#7a2e1d', '#7a2e1d'])
  expect(ink.button).not.toBe('#7a2e1d')
  expect(ink['button-edge']).toBe(ink.button)
  const white = makeScheme(SPEC, { colour: '#ffffff', third: '#ffffff' }).paper
  expect(white.stripe).toBe(white.mark)
})
