'use client'
import { own } from '@/core/own'
import { shownFact, templateOf } from '@/core/fill'
import type { AssetInfo } from '@/core/image'
import { siteFamilies } from '@/core/render'
import { LIMITS, type Brand, type EditStep, pagesOf } from '@/core/site'
import { LogoInput } from '../fields/logo-input'
import { LogoOnDark } from '../fields/logo-on-dark'
import { useJobStore } from '../job/job-context'
import { Choice } from '../parts/choice'
import { Field, inputClass } from '../parts/field'
import { NumberField } from '../parts/number-field'
import { count } from '../parts/words'
import { BackToTemplate } from './back-to-template'
import { FamilyChooser } from './family-chooser'
import { IconPart } from './icon-part'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

type Wordmark = NonNullable<Brand['wordmark']>

/** A logo as a picture, in its versions and sizes, or the name set in type; and the icon made from it. */
export function LogoPart() {
  const store = useJobStore()
  const site = useSite()
  const { brand, set, setAll } = useBrand()
  const logo = brand.logo === undefined ? undefined : own(site.assets, brand.logo)
  const setLogos = (light: AssetInfo | null, dark: AssetInfo | null): void => {
    for (const asset of [light, dark]) if (asset) store.addAsset(asset)
    setAll(
      (['logo', 'logo-on-dark'] as const).map((part, i): EditStep => ({ type: 'brand/set', part, value: [light, dark][i]?.id ?? null })),
    )
  }
  const size = brand['logo-size'] ?? { desktop: 1, phone: 1 }
  const setSize = (next: typeof size): void => set('logo-size', next.desktop === 1 && next.phone === 1 ? null : next, 'logo size')
  const startWordmark = (): Wordmark => ({ family: siteFamilies(site).display.key, weight: 700, spacing: 0, case: 'none' })
  return (
    <>
      <p className="mb-2 text-sm text-soft">Stands at the head of {count(pagesOf(site.document).length, 'page')}, and on the 404 page.</p>
      <LogoInput
        job={store.getState().id}
        asset={logo}
        hasOther={brand['logo-on-dark'] !== undefined}
        onAsset={(asset) => setLogos(asset, null)}
      />
      {logo && (
        <LogoOnDark
          key={logo.id}
          job={store.getState().id}
          logo={logo}
          onDark={brand['logo-on-dark'] ? own(site.assets, brand['logo-on-dark']) : undefined}
          onLogos={(light, dark) => setLogos(light, dark)}
        />
      )}
      {logo ? (
        <fieldset className="mt-4 grid gap-2">
          <legend className="mb-1 font-bold">
            Size <span className="text-sm font-normal text-soft">100 % weighs as much as any other logo here</span>
          </legend>
          <NumberField
            label="On desktop"
            unit="%"
            least={LIMITS.logoSize[0] * 100}
            most={LIMITS.logoSize[1] * 100}
            step={5}
            value={Math.round(size.desktop * 100)}
            onValue={(value) => setSize({ desktop: value / 100, phone: size.phone === size.desktop ? value / 100 : size.phone })}
          />
          <NumberField
            label="On the phone"
            unit="%"
            least={LIMITS.logoSize[0] * 100}
            most={LIMITS.logoSize[1] * 100}
            step={5}
            value={Math.round(size.phone * 100)}
            onValue={(value) => setSize({ ...size, phone: value / 100 })}
          />
        </fieldset>
      ) : (
        <fieldset className="mt-4 grid gap-2">
          <legend className="mb-1 font-bold">Without a picture</legend>
          <Choice
            label="Name"
            showLabel={false}
            value={brand.wordmark ? 'set' : 'plain'}
            options={[
              ['plain', 'as the template sets it'],
              ['set', 'set as a logo'],
            ]}
            onValue={(value) => set('wordmark', value === 'set' ? startWordmark() : null)}
          />
          {brand.wordmark && (
            <WordmarkFields
              wordmark={brand.wordmark}
              name={shownFact(site, 'name').text}
              onWordmark={(next, gesture) => set('wordmark', next, gesture)}
            />
          )}
        </fieldset>
      )}
      <IconPart />
      <BackToTemplate group="logo" words={`Back to ${templateOf(site).name}’s own, without a logo`} />
    </>
  )
}

function WordmarkFields({
  wordmark,
  name,
  onWordmark,
}: {
  wordmark: Wordmark
  name: string
  onWordmark: (wordmark: Wordmark, gesture: string) => void
}) {
  const site = useSite()
  const family = siteFamilies(site).all.find((f) => f.key === wordmark.family) ?? siteFamilies(site).display
  const { text, ...rest } = wordmark
  return (
    <>
      <Field label="Words" hint={`Empty: the name, “${name.slice(0, 60)}”`}>
        {(control) => (
          <input
            {...control}
            className={inputClass}
            maxLength={60}
            value={text ?? ''}
            onChange={(event) => onWordmark(event.target.value === '' ? rest : { ...rest, text: event.target.value }, 'wordmark words')}
          />
        )}
      </Field>
      <FamilyChooser
        label="Family"
        family={family}
        usual=""
        onFamily={(key) => key !== null && onWordmark({ ...wordmark, family: key }, 'wordmark family')}
      />
      <NumberField
        label="Weight"
        least={LIMITS.weight[0]}
        most={900}
        step={10}
        value={wordmark.weight}
        onValue={(weight) => onWordmark({ ...wordmark, weight }, 'wordmark weight')}
      />
      <NumberField
        label="Letter space"
        unit="em"
        least={LIMITS.spacing[0]}
        most={LIMITS.spacing[1]}
        step={0.005}
        value={wordmark.spacing}
        onValue={(spacing) => onWordmark({ ...wordmark, spacing }, 'wordmark spacing')}
      />
      <Choice
        label="Case"
        value={wordmark.case}
        options={[
          ['none', 'as typed'],
          ['upper', 'capitals'],
          ['small-caps', 'small capitals'],
        ]}
        onValue={(value) => onWordmark({ ...wordmark, case: value }, 'wordmark case')}
      />
    </>
  )
}
