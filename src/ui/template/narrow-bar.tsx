'use client'
import type { Candidate, Narrowing } from '@/core/choice'
import { PURPOSES, type Purpose, type SectionKind } from '@/core/site'
import { TRADE_GROUPS, TRADES } from '@/core/trade'
import { PURPOSE_WORDS } from '../fields/purpose-inputs'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'

type Props = { readonly all: readonly Candidate[]; readonly asked: Narrowing; readonly onAsk: (asked: Narrowing) => void }

const GROUP_NAMES: Record<(typeof TRADE_GROUPS)[number], string> = {
  makers: 'Makers and menders',
  home: 'Home trades',
  care: 'Care',
  beauty: 'Beauty',
  pets: 'Animals',
  growers: 'Growers',
  food: 'Food',
  shops: 'Shops',
  advice: 'Advice',
  events: 'Events',
  lodging: 'Lodging',
  learning: 'Teaching',
  leisure: 'Leisure',
  motor: 'Vehicles',
}

/** What the templates on the table must all be; each condition takes some away. */
export function NarrowBar({ all, asked, onAsk }: Props) {
  const set = <K extends keyof Narrowing>(key: K, value: Narrowing[K] | undefined): void => {
    const { [key]: _, ...rest } = asked
    onAsk(value === undefined ? rest : { ...rest, [key]: value })
  }
  const unique = (values: readonly string[]): string[] => [...new Set(values)].sort()
  const pages = unique(all.flatMap((c) => c.profile.pages.map((p) => p.name)))
  const kinds = unique(all.flatMap((c) => [...c.profile.kinds]))
  const pictures = [...new Set(all.map((c) => c.profile.pictures))].sort((a, b) => a - b)
  return (
    <div className="mt-2 flex flex-wrap items-center gap-1.5" role="search" aria-label="Narrow the templates">
      <input
        data-own-undo
        className={`${inputClass} w-32! py-1! text-sm!`}
        type="search"
        placeholder="Words"
        aria-label="Words"
        value={asked.words ?? ''}
        onChange={(event) => set('words', event.target.value || undefined)}
      />
      <Choice
        label="Trade"
        value={asked.trade}
        options={TRADE_GROUPS.map((g) => [TRADES.find((t) => t.group === g)?.name ?? g, GROUP_NAMES[g]])}
        onChange={(v) => set('trade', v)}
      />
      <Choice
        label="Purpose"
        value={asked.purpose}
        options={PURPOSES.map((p) => [p, PURPOSE_WORDS[p]])}
        onChange={(v) => set('purpose', v as Purpose | undefined)}
      />
      <Choice label="Page" value={asked.page} options={pages.map((p) => [p, p])} onChange={(v) => set('page', v)} />
      <Choice
        label="Section"
        value={asked.kind}
        options={kinds.map((k) => [k, k])}
        onChange={(v) => set('kind', v as SectionKind | undefined)}
      />
      <Choice
        label="Pictures"
        value={asked.mostPictures?.toString()}
        options={pictures.map((n) => [String(n), `${n} or fewer`])}
        onChange={(v) => set('mostPictures', v === undefined ? undefined : Number(v))}
      />
      <Choice
        label="Home page"
        value={asked.mostBytes?.toString()}
        options={[100, 200, 300, 500].map((kb) => [String(kb * 1024), `under ${kb} kB`])}
        onChange={(v) => set('mostBytes', v === undefined ? undefined : Number(v))}
      />
      <Choice
        label="Licence"
        value={asked.licence}
        options={unique(all.map((c) => c.template.licence)).map((l) => [l, l])}
        onChange={(v) => set('licence', v)}
      />
      <Choice
        label="Price"
        value={asked.price}
        options={unique(all.map((c) => c.template.price)).map((p) => [p, p])}
        onChange={(v) => set('price', v)}
      />
      <label className="flex items-center gap-1.5 px-1 text-sm">
        <input
          type="checkbox"
          className="size-4 accent-ink"
          checked={asked.favourites !== undefined}
          onChange={(event) => set('favourites', event.target.checked ? [] : undefined)}
        />
        Favourites
      </label>
      {Object.keys(asked).length > 0 && (
        <Button look="quiet" onClick={() => onAsk({})}>
          Show all
        </Button>
      )}
    </div>
  )
}

function Choice({
  label,
  value,
  options,
  onChange,
}: {
  label: string
  value: string | undefined
  options: readonly (readonly [string, string])[]
  onChange: (value: string | undefined) => void
}) {
  return (
    <select
      aria-label={label}
      className={`${inputClass} w-auto! max-w-28 px-1! py-1! text-sm! ${value === undefined ? 'text-soft!' : 'border-ink! font-semibold'}`}
      value={value ?? ''}
      onChange={(event) => onChange(event.target.value || undefined)}
    >
      <option value="">{label}: any</option>
      {options.map(([key, name]) => (
        <option key={key} value={key}>
          {name}
        </option>
      ))}
    </select>
  )
}
