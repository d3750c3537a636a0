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
    // culori’s own luminance, each colour asked for once.
    const known = new Map<string, number>()
    const luminance = (hex: string): number => {
      let found = known.get(hex)
      if (found === undefined) {
        if (known.size > 400_000) known.clear()
        found = wcagLuminance(hex)
        known.set(hex, found)
      }
      return found
    }
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
