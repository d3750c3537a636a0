'use client'
import { templateOf } from '@/core/fill'
import { LIMITS, within } from '@/core/site'
import { Choice } from '../parts/choice'
import { NumberField } from '../parts/number-field'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

/** Sizes as the template has them, or all from a base and a ratio, on the phone and on desktop. */
export function ScaleInput() {
  const site = useSite()
  const { brand, set } = useBrand()
  const { steps } = templateOf(site).type
  const { scale } = brand
  // The template's own sizes as a base and the mean ratio of its steps: where a scale of one's own begins.
  const like = (at: 'phone' | 'desktop'): { base: number; ratio: number } => ({
    base: within(Math.round(steps[0][at] * 2) / 2, LIMITS.base),
    ratio: within(Math.round((steps[4][at] / steps[0][at]) ** (1 / 4) * 100) / 100, LIMITS.ratio),
  })
  const change = (at: 'phone' | 'desktop', part: 'base' | 'ratio', value: number): void => {
    if (scale) set('scale', { ...scale, [at]: { ...scale[at], [part]: value } }, `scale ${at} ${part}`)
  }
  return (
    <fieldset className="mt-4 grid gap-2 border-t border-seam pt-3">
      <legend className="float-left mb-1 w-full font-bold">Sizes</legend>
      <Choice
        label="Sizes"
        showLabel={false}
        value={scale ? 'ratio' : 'template'}
        options={[
          ['template', 'the template’s'],
          ['ratio', 'by a ratio'],
        ]}
        onValue={(value) => set('scale', value === 'ratio' ? { phone: like('phone'), desktop: like('desktop') } : null)}
      />
      {scale &&
        (['desktop', 'phone'] as const).map((at) => (
          <div key={at} className="grid gap-1">
            <NumberField
              label={at === 'desktop' ? 'Base, desktop' : 'Base, phone'}
              unit="px"
              least={LIMITS.base[0]}
              most={LIMITS.base[1]}
              step={0.5}
              value={scale[at].base}
              onValue={(value) => change(at, 'base', value)}
            />
            <NumberField
              label="Ratio"
              least={LIMITS.ratio[0]}
              most={LIMITS.ratio[1]}
              step={0.01}
              value={scale[at].ratio}
              onValue={(value) => change(at, 'ratio', value)}
            />
          </div>
        ))}
    </fieldset>
  )
}
