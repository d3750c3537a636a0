'use client'
import { useDeferredValue } from 'react'
import { templateOf } from '@/core/fill'
import { findScheme, offeredSchemes } from '@/core/pack'
import { allSections, type Dark, pagesOf, toEdit, type EditStep } from '@/core/site'
import { BrandColours } from '../fields/brand-colours'
import { useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { Choice } from '../parts/choice'
import { NumberField } from '../parts/number-field'
import { count } from '../parts/words'
import { SchemeChooser } from '../fields/scheme-chooser'
import { BackToTemplate } from './back-to-template'
import { PaletteFrom } from './palette-from'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

/** Colours typed, picked or taken from a picture; the scheme they are worn in; light or dark; flat or running grounds. */
export function ColourPart() {
  const store = useJobStore()
  const gesture = useGesture()
  const site = useSite()
  const { brand, set } = useBrand()
  const { document } = site
  const template = templateOf(site)
  const { dark = false, scheme = null } = document.dress
  const setScheme = (next: { scheme?: string | null; dark?: Dark }, group?: string): void => {
    const edits: EditStep[] = [
      ...(next.scheme === undefined ? [] : [{ type: 'dress/set', part: 'scheme', value: next.scheme } as const]),
      ...(next.dark === undefined ? [] : [{ type: 'dress/set', part: 'dark', value: next.dark === false ? null : next.dark } as const]),
    ]
    store.apply(toEdit(edits), group)
  }
  const gradient = brand.gradient
  // The sheets are drawn first, then the schemes in small.
  const shown = useDeferredValue(brand)
  return (
    <>
      <p className="mb-3 text-sm text-soft">
        Changes {count(allSections(document).length, 'section')} on {count(pagesOf(document).length, 'page')}, the icon and the 404 page.
      </p>
      <BrandColours brand={brand} spec={findScheme(template, scheme)} onColour={(part, value) => set(part, value, part)} />
      <PaletteFrom />
      <SchemeChooser
        offered={offeredSchemes(template)}
        brand={shown}
        scheme={scheme}
        dark={dark}
        onScheme={(next) => setScheme({ scheme: next }, gesture('scheme'))}
        onDark={(next) => setScheme({ dark: next })}
      />
      <fieldset className="mt-4 grid gap-2">
        <legend className="mb-1 font-bold">Backgrounds of accent and ink</legend>
        <Choice
          label="Background"
          showLabel={false}
          value={gradient ? 'run' : 'flat'}
          options={[
            ['flat', 'flat'],
            ['run', 'run from colour to colour'],
          ]}
          onValue={(next) => set('gradient', next === 'run' ? { angle: 105, strength: 0.5 } : null)}
        />
        {gradient && (
          <>
            <NumberField
              label="Strength"
              unit="%"
              least={5}
              most={100}
              step={5}
              value={Math.round(gradient.strength * 100)}
              onValue={(value) => set('gradient', { ...gradient, strength: value / 100 }, 'gradient')}
            />
            <NumberField
              label="Direction"
              unit="°"
              least={0}
              most={360}
              step={5}
              value={gradient.angle}
              onValue={(value) => set('gradient', { ...gradient, angle: value }, 'gradient')}
            />
            <p className="text-sm text-soft">The end is brought nearer until the text can be read on the whole run.</p>
          </>
        )}
      </fieldset>
      <BackToTemplate
        group="colour"
        also={(['scheme', 'dark'] as const)
          .filter((part) => document.dress[part] !== undefined)
          .map((part) => ({ type: 'dress/set', part, value: null }))}
        words={`Back to ${template.name}’s own colours`}
      />
    </>
  )
}
