import { placeKey, type Place } from '@/core/site'

/** For each place that is counted the lines that it was designed for; an entry beyond the template's own was designed like its first. */
export function designedLines(
  designed: ReadonlyMap<string, number>,
  counted: ReadonlyMap<string, number>,
  places: ReadonlyMap<string, Place>,
): ReadonlyMap<string, number> {
  const lines = (key: string): number => {
    const place = places.get(key)
    const first = place?.type === 'slot' && place.entry ? placeKey({ ...place, entry: { list: place.entry.list, nth: 1 } }) : key
    return designed.get(key) ?? designed.get(first) ?? 0
  }
  return new Map([...counted.keys()].map((key) => [key, lines(key)]))
}
