import Color from 'colorjs.io'
import { expect, test } from 'vitest'
import { hex as referenceContrast } from 'wcag-contrast'
import { contrastRatio, fitContrast, fromOklch, makeScheme, parseColour, relativeLuminance, ROLES, toOklch, type Role } from '../../src/core/colour'
import { TONES } from '../../src/core/site'
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
  for (const [text, hex] of [['rebeccapurple', '#663399'], ['#0f0', '#00ff00'], ['rgb(0 255 0)', '#00ff00'], ['rgb(0% 100% 0%)', '#00ff00'], ['hsl(120 100% 50%)', '#00ff00'], ['hsl(120deg 100% 25%)', '#008000'], ['hwb(120 0% 49.8039%)', '#008000'], ['oklab(51.975% -0.1403 0.10768)', '#008000'], ['oklch(51.975% 0.17686 142.495)', '#008000'], ['7A2E1D', '#7a2e1d']] as const) {
    expect(parseColour(text), text).toEqual({ ok: true, hex })
  }
  for (const bad of ['mauvish', '#12345', 'rgb(1,2', '', 'url(x)', '#00000080']) expect(parseColour(bad).ok, bad).toBe(false)
})

// What each role is on its surface, and the least contrast WCAG 2.2 asks of it: 1.4.3 for text, 1.4.11 for controls and focus.
const LEAST: Partial<Record<Role, number>> = { text: 4.5, heading: 4.5, muted: 4.5, link: 4.5, mark: 4.5, button: 3, focus: 3 }

test('every text and control on every tone passes for 3,000 seeded brands and the hard ones, recomputed by a second library', () => {
  const next = random(4)
  const hard = ['#ffff00', '#000000', '#ffffff', '#808080', '#777777', '#00ff00', '#0000ff', '#ff00ff', '#fffffe', '#010101']
  const brands = [...hard, ...Array.from({ length: 3000 }, () => randomHex(next))]
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
          if (surface.contrast(new Color(roles[role]), 'WCAG21') < least) throw new Error(`${role} ${roles[role]} on ${tone} ${ground} for ${brand}`)
        }
      }
      checked++
      if (new Color(roles.button).contrast(new Color(roles['button-text']), 'WCAG21') < 4.5) throw new Error(`button text for ${brand} on ${tone}`)
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
