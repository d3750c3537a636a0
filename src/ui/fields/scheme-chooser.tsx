'use client'
import type { BrandColours } from '@/core/colour'
import type { OfferedScheme } from '@/core/pack'
import type { Dark } from '@/core/site'
import { inputClass } from '../parts/field'
import { SchemeSwatch } from './scheme-swatch'

type Props = {
  readonly offered: readonly OfferedScheme[]
  readonly brand: BrandColours
  readonly scheme: string | null
  readonly dark: Dark
  readonly onScheme: (scheme: string | null) => void
  readonly onDark: (dark: Dark) => void
}

/** The template's own schemes and the general ones, each computed with the client's colours; arrow keys walk through them. */
export function SchemeChooser({ offered, brand, scheme, dark, onScheme, onDark }: Props) {
  const chosen = offered.some((s) => s.id === scheme) ? scheme : offered[0]?.id
  const draw = (general: boolean) =>
    offered
      .filter((s) => s.general === general)
      .map((s) => (
        <label key={s.id} className="flex cursor-pointer items-center gap-2 py-0.5 has-checked:font-semibold has-focus-visible:outline-2">
          <input
            type="radio"
            name="scheme"
            className="size-4 accent-ink"
            checked={s.id === chosen}
            onChange={() => onScheme(s.id === offered[0]?.id ? null : s.id)}
          />
          <SchemeSwatch spec={s.spec} brand={brand} dark={dark === true} />
          <span>{s.name}</span>
        </label>
      ))
  return (
    <fieldset className="mt-4 min-w-0">
      <legend className="mb-1 flex w-full items-center gap-3 font-bold">
        Scheme
        <select
          aria-label="Light or dark"
          className={`${inputClass} w-auto! min-w-0 py-0.5! text-sm! font-normal`}
          value={String(dark)}
          onChange={(event) => onDark(event.target.value === 'visitor' ? 'visitor' : event.target.value === 'true')}
        >
          <option value="false">light</option>
          <option value="true">dark</option>
          <option value="visitor">as each visitor’s system asks</option>
        </select>
      </legend>
      {draw(false)}
      <p className="mt-2 text-sm text-soft">General</p>
      {draw(true)}
    </fieldset>
  )
}
