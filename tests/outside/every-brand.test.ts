import { wcagLuminance } from 'culori'
import { expect, test } from 'vitest'
import { layOver, LEAST_CONTRAST, makeScheme } from '../../src/core/colour'
import { offeredSchemes } from '../../src/core/pack'
import { TONES, type Role } from '../../src/core/site'
import { random, randomHex } from '../random'
import { testPack } from '../pack'

// WCAG 2.2, 1.4.3 (text, 4.5) and 1.4.11 (a button's edge and focus, 3); text on buttons is checked against the button.
const LEAST = Object.fromEntries(
  Object.keys(LEAST_CONTRAST)
    .filter((role) => role !== 'button-text')
    .map((role) => [role, role === 'button-edge' || role === 'focus' ? 3 : 4.5]),
)

/** culori’s own luminance, which is the sum of what it says of each channel alone: 768 questions stand for all colours there are. */
function luminanceByCulori(): (hex: string) => number {
  const channel = (byte: (at: string) => string): readonly number[] =>
    Array.from({ length: 256 }, (_, value) => wcagLuminance(byte(value.toString(16).padStart(2, '0'))))
  const [red, green, blue] = [channel((at) => `#${at}0000`), channel((at) => `#00${at}00`), channel((at) => `#0000${at}`)]
  return (hex) => {
    const bytes = Number.parseInt(hex.slice(1), 16)
    return (red[bytes >> 16] ?? Number.NaN) + (green[(bytes >> 8) & 255] ?? Number.NaN) + (blue[bytes & 255] ?? Number.NaN)
  }
}

test('what culori says of each channel alone makes what it says of a colour', () => {
  const [luminance, next] = [luminanceByCulori(), random(11)]
  for (let i = 0; i < 5000; i++) {
    const hex = randomHex(next)
    expect(Math.abs(luminance(hex) - wcagLuminance(hex)), hex).toBeLessThan(1e-12)
  }
})

test(
  '10,000 seeded brand colours on every scheme there is, light and dark, leave no text or control on any tone that ' +
    'a second library would fail',
  () => {
    const specs = [
      ...new Set(
        Object.values(testPack().templates)
          .flatMap((t) => offeredSchemes(t))
          .map((s) => s.spec),
      ),
    ]
    const next = random(10)
    const hard = ['#ffff00', '#000000', '#ffffff', '#808080', '#00ff00', '#ff00ff', '#767676', '#0000ff', '#c2185b']
    const brands = [...hard, ...Array.from({ length: 10_000 - hard.length }, () => randomHex(next))]
    const luminance = luminanceByCulori()
    const reaches = (a: number, b: number, least: number): boolean => (a > b ? (a + 0.05) / (b + 0.05) : (b + 0.05) / (a + 0.05)) >= least
    const leasts = Object.entries(LEAST) as readonly (readonly [Role, number])[]
    let checked = 0
    brands.forEach((colour, i) =>
      specs.forEach((spec, j) => {
        // Alone, three alike, and with two others, in turn.
        const others = [
          {},
          { second: colour, third: colour },
          { second: brands[(i * 7 + j) % brands.length], third: brands[(i * 13 + j) % brands.length] },
        ][(i + j) % 3]
        const gradient = (i + j) % 4 === 0 ? { gradient: { angle: 90, strength: ((i % 10) + 1) / 10 } } : {}
        const dark = (i + j) % 2 === 1
        const scheme = makeScheme(spec, { colour, ...others, ...gradient }, dark)
        for (const tone of TONES) {
          const roles = scheme[tone]
          const shown = leasts.map(([role]) => luminance(roles[role]))
          for (const ground of roles.end === roles.surface
            ? [roles.surface, roles.plane]
            : [roles.surface, roles.plane, layOver(roles.end, roles.surface, 0.5), roles.end]) {
            const under = luminance(ground)
            leasts.forEach(([role, least], n) => {
              checked++
              if (!reaches(under, shown[n]!, least))
                throw new Error(
                  `${role} ${roles[role]} on ${tone} ${ground} for ${colour} ${JSON.stringify(others)}${dark ? ', dark' : ''}`,
                )
            })
          }
          if (!reaches(luminance(roles.button), luminance(roles['button-text']), 4.5))
            throw new Error(`button text for ${colour} on ${tone}`)
        }
      }),
    )
    expect(checked).toBeGreaterThan(10_000 * specs.length * TONES.length * 2 * 7)
  },
)
