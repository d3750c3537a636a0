'use client'
import type { PlaceCompared } from '@/core/compare'
import type { WordChange } from '@/core/wording'
import { capital } from '../../parts/words'

/** The most places that are told; more are counted. */
const MOST = 80

/** What each place says otherwise, word by word. */
export function PlacesList({ heading, places }: { readonly heading: string; readonly places: readonly PlaceCompared[] }) {
  if (places.length === 0) return null
  return (
    <section className="mt-5">
      <h2 className="font-bold tracking-tight">{heading}</h2>
      <ul className="mt-1 text-sm">
        {places.slice(0, MOST).map(({ key, group, name, words, isPicture }) => (
          <li key={key} className="grid grid-cols-[11rem_minmax(0,1fr)] gap-3 border-t border-seam py-1.5">
            <span className="text-soft">
              {capital(group)}: <span className="font-semibold text-ink">{name}</span>
            </span>
            <span dir="auto" className="min-w-0 break-words">
              {isPicture && <span className="font-semibold">Another picture. </span>}
              {words?.map((change, at) => (
                <Words key={at} change={change} />
              ))}
            </span>
          </li>
        ))}
        {places.length > MOST && <li className="border-t border-seam py-1.5 text-soft">and {places.length - MOST} more</li>}
      </ul>
    </section>
  )
}

function Words({ change: { type, words } }: { readonly change: WordChange }) {
  if (type === 'same') return words
  return type === 'gone' ? (
    <del className="text-thread decoration-thread">{words}</del>
  ) : (
    <ins className="bg-tape-pale font-semibold no-underline shadow-[inset_0_-2px_0_var(--color-tape)]">{words}</ins>
  )
}
