import type { MarkedPlace } from '@/core/render'
import { placeKey } from '@/core/site'

/** For each place that is counted the lines that it was designed for; an entry beyond the template's own was designed like its first. */
export function designedLines(
  designed: ReadonlyMap<string, number>,
  counted: ReadonlyMap<string, number>,
  places: ReadonlyMap<string, MarkedPlace>,
): ReadonlyMap<string, number> {
  const lines = (key: string): number => {
    const stands = places.get(key)?.stands
    if (!stands) return designed.get(key) ?? 0
    const first = stands.type === 'slot' && stands.entry ? { ...stands, entry: { list: stands.entry.list, nth: 1 } } : stands
    return designed.get(placeKey(stands)) ?? designed.get(placeKey(first)) ?? 0
  }
  return new Map([...counted.keys()].map((key) => [key, lines(key)]))
}
