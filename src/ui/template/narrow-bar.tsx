'use client'
import { ChevronDown, Search } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { isWithin, tellingApart, type Candidate, type Narrowing } from '@/core/choice'
import { PURPOSES, type SectionKind } from '@/core/site'
import { TRADE_GROUPS, TRADES } from '@/core/trade'
import { PURPOSE_WORDS } from '../fields/purpose-inputs'
import { Button } from '../parts/button'

type Props = {
  readonly all: readonly Candidate[]
  readonly asked: Narrowing
  /** How many are favourites. */
  readonly favourites: number
  readonly onAsk: (asked: Narrowing) => void
}

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
export function NarrowBar({ all, asked, favourites, onAsk }: Props) {
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
    <div className="mt-1 -ms-2 flex flex-wrap items-center gap-x-0.5" role="search" aria-label="Narrow the templates">
      <label className="relative me-1 block">
        <Search size={13} aria-hidden className="pointer-events-none absolute start-2 top-2 text-soft" />
        <input
          data-own-undo
          className={
            'w-36 rounded-sm border border-clear bg-clear py-1 ps-7 pe-1 text-sm placeholder:text-soft hover:border-seam ' +
            'focus:border-ink focus:bg-white'
          }
          type="search"
          placeholder="Find by words"
          aria-label="Words"
          value={asked.words ?? ''}
          onChange={(event) => set('words', event.target.value || undefined)}
        />
      </label>
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
      <button
        type="button"
        aria-pressed={asked.favourites !== undefined}
        className={wordClass(asked.favourites !== undefined)}
        onClick={() => set('favourites', asked.favourites === undefined ? [] : undefined)}
      >
        Favourites <Left of={favourites} />
      </button>
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

/** What can be asked for of one kind, with how many would be left: only what tells the templates apart, and nothing where nothing does. */
function Telling<T extends string | number>({ all, asked, name, label, options, onValue }: TellingProps<T>) {
  const value = asked[name] as T | undefined
  const telling = tellingApart(all, options, ([option]) => ({ [name]: option }) as Narrowing)
  if (telling.length === 0 && value === undefined) return null
  const said = telling.find(([option]) => option === value)?.[1]
  const left = (option: T | undefined): number => {
    const { [name]: _, ...rest } = asked
    return all.filter((candidate) => isWithin(candidate, option === undefined ? rest : { ...rest, [name]: option })).length
  }
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className={wordClass(value !== undefined)}>
        {label}
        {said && <span className="max-w-40 truncate font-normal">: {said}</span>}
        <ChevronDown size={12} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={2}
          className="z-30 max-h-96 min-w-44 overflow-y-auto border border-ink bg-cloth py-1"
        >
          <DropdownMenu.RadioGroup
            aria-label={label}
            value={String(value ?? '')}
            onValueChange={(next) => onValue(telling.find(([option]) => String(option) === next)?.[0])}
          >
            <Option value="" words="Any" left={left(undefined)} />
            {telling.map(([option, words]) => (
              <Option key={option} value={String(option)} words={words} left={left(option)} />
            ))}
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

function Option({ value, words, left }: { readonly value: string; readonly words: string; readonly left: number }) {
  return (
    <DropdownMenu.RadioItem
      value={value}
      className={
        'relative flex items-baseline gap-3 py-1.5 pe-3 ps-7 text-sm outline-none data-[highlighted]:bg-tape ' +
        'data-[state=checked]:before:absolute data-[state=checked]:before:start-3 data-[state=checked]:before:content-["✓"]'
      }
    >
      {words}
      <Left of={left} />
    </DropdownMenu.RadioItem>
  )
}

/** How many templates are left. */
function Left({ of }: { readonly of: number }) {
  return <span className="ms-auto font-mono text-xs text-soft">{of}</span>
}

function wordClass(isAsked: boolean): string {
  return (
    'flex items-center gap-1.5 rounded-sm border px-2 py-1 text-sm hover:border-ink ' +
    (isAsked ? 'border-ink bg-tape font-semibold' : 'border-clear text-soft hover:text-ink')
  )
}
