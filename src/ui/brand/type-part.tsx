'use client'
import { usageOfStyle } from '@/core/brand'
import { templateOf } from '@/core/fill'
import { siteFamilies, styleFamily, textStylesOf } from '@/core/render'
import { LIMITS, SIZE_LIMITS, within, type TextStyleChange, type TextStyleName, pagesOf } from '@/core/site'
import { weightsOf } from '@/core/type'
import { Choice } from '../parts/choice'
import { inputClass } from '../parts/field'
import { NumberField } from '../parts/number-field'
import { count } from '../parts/words'
import { BackToTemplate } from './back-to-template'
import { FamilyChooser } from './family-chooser'
import { useFamilies } from './family-faces'
import { LackingNote } from './lacking-note'
import { OwnFonts } from './own-fonts'
import { ScaleInput } from './scale-input'
import { STYLE_WORDS } from './style-words'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

/** Families, the scale of sizes, and the style in hand, each property by hand. */
export function TypePart({ style }: { style: TextStyleName }) {
  const site = useSite()
  const { set } = useBrand()
  const template = templateOf(site)
  const { display, text } = siteFamilies(site)
  return (
    <>
      <p className="mb-3 text-sm text-soft">
        Families and sizes change {count(pagesOf(site.document).length, 'page')}; a style, what is said beside it.
      </p>
      <div className="grid gap-2">
        <FamilyChooser label="Headings" family={display} usual={template.fonts.display} onFamily={(key) => set('display', key)} />
        <LackingNote family={display} onFamily={(key) => set('display', key)} />
        <FamilyChooser label="Text" family={text} beside={display} usual={template.fonts.text} onFamily={(key) => set('text', key)} />
        {text.key !== display.key && <LackingNote family={text} onFamily={(key) => set('text', key)} />}
      </div>
      <OwnFonts />
      <ScaleInput />
      <StyleEditor style={style} />
      <BackToTemplate group="type" words={`Back to ${template.name}’s own type`} />
    </>
  )
}

function StyleEditor({ style }: { style: TextStyleName }) {
  const site = useSite()
  const { brand, set } = useBrand()
  const usual = templateOf(site).type.styles[style]
  const now = textStylesOf(site)[style]
  const families = useFamilies()
  const own = brand.styles?.[style] ?? {}
  const weights = weightsOf(styleFamily(site, now.family))
  const reach = usageOfStyle(site, style)
  const [least, most] = SIZE_LIMITS[style]
  const change = (next: TextStyleChange | null, gesture?: string): void => {
    const rest = Object.fromEntries(Object.entries(brand.styles ?? {}).filter(([name]) => name !== style))
    const styles = next === null || Object.keys(next).length === 0 ? rest : { ...rest, [style]: next }
    set('styles', Object.keys(styles).length === 0 ? null : styles, gesture && `style ${style} ${gesture}`)
  }
  const put = <K extends keyof TextStyleChange>(part: K, value: NonNullable<TextStyleChange[K]>): void =>
    change({ ...own, [part]: value }, part)
  const drop = (...parts: (keyof TextStyleChange)[]): void =>
    change(Object.fromEntries(Object.entries(own).filter(([part]) => !parts.includes(part as keyof TextStyleChange))))
  // While the phone's size was not set by hand, it follows.
  const setDesktop = (value: number): void =>
    change({ ...own, desktop: value, ...(own.phone === undefined ? {} : { phone: Math.min(own.phone, value) }) }, 'size')
  return (
    <fieldset className="mt-4 grid gap-2 border-t border-seam pt-3">
      <legend className="float-left mb-1 w-full font-bold">
        {STYLE_WORDS[style]}
        <span className="ms-2 text-sm font-normal text-soft">
          {reach.places === 0 ? 'nowhere on this site yet' : `changes ${count(reach.places, 'place')} on ${count(reach.pages, 'page')}`}
        </span>
      </legend>
      <label className="flex items-center gap-2">
        <span className="w-24 shrink-0 text-sm">Family</span>
        <select
          aria-label="Family of this style"
          className={`${inputClass} py-1! text-sm!`}
          value={now.family}
          onChange={(event) => (event.target.value === usual.family ? drop('family') : put('family', event.target.value))}
        >
          <option value="display">as headings</option>
          <option value="text">as text</option>
          {families.map((f) => (
            <option key={f.key} value={f.key}>
              {f.name}
            </option>
          ))}
        </select>
      </label>
      {weights.only.length > 0 ? (
        <Choice
          label="Weight"
          value={String(nearest(weights.only, now.weight))}
          options={weights.only.map((w) => [String(w), String(w)] as const)}
          onValue={(w) => put('weight', Number(w))}
        />
      ) : (
        <NumberField
          label="Weight"
          least={weights.least}
          most={weights.most}
          step={10}
          value={within(now.weight, [weights.least, weights.most])}
          usual={usual.weight}
          onValue={(value) => put('weight', value)}
          onUsual={() => drop('weight')}
        />
      )}
      <NumberField
        label="On desktop"
        unit="px"
        least={least}
        most={most}
        step={1}
        value={now.desktop}
        usual={usual.desktop}
        onValue={setDesktop}
        onUsual={() => drop('desktop', 'phone')}
      />
      <NumberField
        label="On the phone"
        unit="px"
        least={least}
        most={most}
        step={1}
        value={now.phone}
        usual={usual.phone}
        onValue={(value) => change({ ...own, phone: value, desktop: own.desktop ?? Math.max(value, now.desktop) }, 'size')}
        onUsual={() => drop('desktop', 'phone')}
      />
      <NumberField
        label="Line height"
        least={LIMITS.line[0]}
        most={LIMITS.line[1]}
        step={0.01}
        value={now.line}
        usual={usual.line}
        onValue={(value) => put('line', value)}
        onUsual={() => drop('line')}
      />
      <NumberField
        label="Letter space"
        unit="em"
        least={LIMITS.spacing[0]}
        most={LIMITS.spacing[1]}
        step={0.005}
        value={now.spacing}
        usual={usual.spacing}
        onValue={(value) => put('spacing', value)}
        onUsual={() => drop('spacing')}
      />
      <Choice
        label="Case"
        value={now.case}
        options={[
          ['none', 'as typed'],
          ['upper', 'capitals'],
          ['small-caps', 'small capitals'],
        ]}
        onValue={(value) => (value === usual.case ? drop('case') : put('case', value))}
      />
    </fieldset>
  )
}

function nearest(weights: readonly number[], weight: number): number {
  return weights.reduce((a, b) => (Math.abs(b - weight) < Math.abs(a - weight) ? b : a))
}
