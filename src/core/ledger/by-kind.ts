import { capital } from '../capital'
import type { Listed, ListedGroup } from './listing'

/** A place among others of its kind: what it is called there says where it stands. */
type Sorted = { readonly kind: string; readonly listed: Listed }

/** The same places with all headings together, all pictures, all prices, in the order in which the first of each is met. */
export function groupByKind(groups: readonly ListedGroup[]): readonly ListedGroup[] {
  const kinds = new Map<string, Listed[]>()
  for (const { kind, listed } of groups.flatMap(sortedOf)) kinds.set(kind, [...(kinds.get(kind) ?? []), listed])
  return [...kinds].map(([kind, listed]) => ({
    key: `kind ${kind}`,
    type: 'kind',
    title: kind,
    page: null,
    where: '',
    section: null,
    listed,
  }))
}

function sortedOf({ title, where, listed }: ListedGroup): readonly Sorted[] {
  return listed.map((one) => {
    const kind = kindOf(one)
    const number = one.row?.entry ? ` ${one.row.entry.number}` : ''
    return { kind, listed: { ...one, name: one.place.type === 'page' ? where : `${where}: ${capital(title)}${number}` } }
  })
}

function kindOf({ place, row, name }: Listed): string {
  switch (place.type) {
    case 'slot':
      return row?.entry ? capital(place.slot.replaceAll('-', ' ')) : name
    case 'page':
      return `Page: ${name}`
    case 'fact':
      return 'Client facts'
    case 'label':
      return 'Labels'
    case 'brand':
      return 'Brand'
    default:
      return place satisfies never
  }
}
