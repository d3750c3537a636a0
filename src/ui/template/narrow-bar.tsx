'use client'
import { tellingApart, type Candidate, type Narrowing } from '@/core/choice'
import { PURPOSES, type SectionKind } from '@/core/site'
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
  const pictures = [...new Set(all.map((c) => c.profile.pictures))].sort((a, b) => a - b)
  const groups = TRADE_GROUPS.map((g) => [TRADES.find((t) => t.group === g)?.name ?? g, GROUP_NAMES[g]] as const)
  const choice = <K extends 'trade' | 'purpose' | 'page' | 'kind' | 'mostPictures' | 'mostBytes' | 'licence' | 'price'>(
    key: K,
    label: string,
    options: readonly (readonly [value: NonNullable<Narrowing[K]>, words: string])[],
  ) => <Telling all={all} asked={asked} name={key} label={label} options={options} onValue={(value) => set(key, value)} />
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
      {choice('trade', 'Trade', groups)}
      {choice(
        'purpose',
        'Purpose',
        PURPOSES.map((p) => [p, PURPOSE_WORDS[p]]),
      )}
      {choice(
        'page',
        'Page',
        unique(all.flatMap((c) => c.profile.pages.map((p) => p.name))).map((p) => [p, p]),
      )}
      {choice(
        'kind',
        'Section',
        unique(all.flatMap((c) => [...c.profile.kinds])).map((k) => [k as SectionKind, k]),
      )}
      {choice(
        'mostPictures',
        'Pictures',
        pictures.map((n) => [n, `${n} or fewer`]),
      )}
      {choice(
        'mostBytes',
        'Home page',
        [100, 200, 300, 500].map((kb) => [kb * 1024, `under ${kb} kB`]),
      )}
      {choice(
        'licence',
        'Licence',
        unique(all.map((c) => c.template.licence)).map((l) => [l, l]),
      )}
      {choice(
        'price',
        'Price',
        unique(all.map((c) => c.template.price)).map((p) => [p, p]),
      )}
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

type TellingProps<T> = {
  readonly all: readonly Candidate[]
  readonly asked: Narrowing
  readonly name: keyof Narrowing
  readonly label: string
  readonly options: readonly (readonly [value: T, words: string])[]
  readonly onValue: (value: T | undefined) => void
}

/** What can be asked for of one kind: only what tells the templates apart, and nothing where nothing of it does. */
function Telling<T extends string | number>({ all, asked, name, label, options, onValue }: TellingProps<T>) {
  const value = asked[name] as T | undefined
  const telling = tellingApart(all, options, ([option]) => ({ [name]: option }) as Narrowing)
  if (telling.length === 0 && value === undefined) return null
  return (
    <select
      aria-label={label}
      className={`${inputClass} w-auto! max-w-28 px-1! py-1! text-sm! ${value === undefined ? 'text-soft!' : 'border-ink! font-semibold'}`}
      value={value ?? ''}
      onChange={(event) => onValue(telling.find(([option]) => String(option) === event.target.value)?.[0])}
    >
      <option value="">{label}: any</option>
      {telling.map(([option, words]) => (
        <option key={option} value={option}>
          {words}
        </option>
      ))}
    </select>
  )
}
