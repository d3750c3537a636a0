'use client'
import { planIcon } from '@/core/render'
import type { Brand } from '@/core/site'
import { Choice } from '../parts/choice'
import { Field, inputClass } from '../parts/field'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

type Icon = NonNullable<Brand['icon']>

/** What the small picture of a tab and of a home screen is made from. */
export function IconPart() {
  const site = useSite()
  const { brand, set } = useBrand()
  const plan = planIcon(site)
  const icon: Icon = brand.icon ?? { from: 'mark', ground: 'ink', form: 'soft' }
  const change = (next: Partial<Icon>, gesture?: string): void => set('icon', { ...icon, ...next }, gesture)
  const { letters: _, ...plain } = icon
  return (
    <fieldset className="mt-4 grid gap-2 border-t border-seam pt-3">
      <legend className="float-left mb-1 w-full font-bold">
        Icon <span className="text-sm font-normal text-soft">browser tab, home screen</span>
      </legend>
      <Choice
        label="Made from"
        value={brand.logo === undefined ? 'letters' : icon.from}
        options={[
          ['mark', 'the logo’s mark'],
          ['letters', 'letters'],
        ]}
        onValue={(from) => change({ from })}
      />
      {brand.logo === undefined && <p className="text-sm text-soft">Without a logo it is made from letters.</p>}
      {(icon.from === 'letters' || brand.logo === undefined) && (
        <Field label="Letters" hint={icon.letters === undefined ? `Empty: ${plan.letters}` : undefined}>
          {(control) => (
            <input
              {...control}
              className={`${inputClass} w-24!`}
              maxLength={3}
              value={icon.letters ?? ''}
              onChange={(event) =>
                event.target.value.trim() === ''
                  ? set('icon', plain, 'icon letters')
                  : change({ letters: event.target.value }, 'icon letters')
              }
            />
          )}
        </Field>
      )}
      <Choice
        label="Background"
        value={icon.ground}
        options={[
          ['ink', 'ink'],
          ['accent', 'accent'],
          ['paper', 'paper'],
        ]}
        onValue={(ground) => change({ ground })}
      />
      <Choice
        label="Form"
        value={icon.form}
        options={[
          ['square', 'square'],
          ['soft', 'soft'],
          ['round', 'round'],
        ]}
        onValue={(form) => change({ form })}
      />
    </fieldset>
  )
}
