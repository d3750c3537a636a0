'use client'
import { useMemo } from 'react'
import type { FilledPicture } from '@/core/fill'
import { pictureVariants } from '@/core/image'
import { cutToRoom, SEARCH_PREVIEW, type PreviewText } from '@/core/release'
import { CARD_RATIO, sheetPictureUrl } from '@/core/render'
import { measureAsOthers, OTHERS_FONT } from './measure'
import { LengthTape } from './length-tape'

/** What others tell of a page, and where it is. */
export type PageAsTold = {
  readonly title: string
  readonly description: string
  readonly picture: FilledPicture | null
  readonly host: string
  readonly path: string
  /** Whose site it is. */
  readonly name: string
}
type Where = keyof typeof SEARCH_PREVIEW

function useSeen(told: PageAsTold, where: Where): { readonly title: PreviewText; readonly description: PreviewText } {
  return useMemo(
    () => ({
      title: cutToRoom(told.title, SEARCH_PREVIEW[where].title, measureAsOthers),
      description: cutToRoom(told.description, SEARCH_PREVIEW[where].description, measureAsOthers),
    }),
    [told, where],
  )
}

/** One entry of a list of results, as wide as it is there. */
export function SearchResult({ told, on, words }: { readonly told: PageAsTold; readonly on: 'desktop' | 'phone'; readonly words: string }) {
  const { title, description } = useSeen(told, on)
  const way = told.path.split('/').filter((part) => part !== '')
  const { title: t, description: d } = SEARCH_PREVIEW[on]
  return (
    <figure className="mb-5">
      <figcaption className="mb-1.5 flex flex-wrap items-center gap-x-3 text-sm font-semibold">
        {words}
        <Rooms title={title} description={description} />
      </figcaption>
      <div
        className="max-w-full border-s-2 border-ink bg-white px-3 py-2.5"
        style={{ width: t.widthPx + 26, fontFamily: OTHERS_FONT }}
        dir="auto"
      >
        <p style={{ fontSize: t.sizePx, lineHeight: 1.3 }} className="break-words font-normal text-ink">
          {title.words}
        </p>
        <p className="truncate text-xs text-soft" dir="ltr">
          {[told.host, ...way].join(' / ')}
        </p>
        <p style={{ fontSize: d.sizePx, lineHeight: 1.5 }} className="mt-0.5 break-words text-soft">
          {description.words || <i>Without a description some words of the page stand here.</i>}
        </p>
      </div>
    </figure>
  )
}

/** The card that goes with the page's address where it is sent to others. */
export function SharedCard({ told }: { readonly told: PageAsTold }) {
  const { title, description } = useSeen(told, 'card')
  const { title: t, description: d } = SEARCH_PREVIEW.card
  const { picture } = told
  return (
    <figure>
      <figcaption className="mb-1.5 flex flex-wrap items-center gap-x-3 text-sm font-semibold">
        Sent to somebody
        <Rooms title={title} description={description} />
      </figcaption>
      <div className="max-w-full border border-seam bg-white" style={{ width: t.widthPx + 32, fontFamily: OTHERS_FONT }} dir="auto">
        {picture ? (
          // eslint-disable-next-line @next/next/no-img-element -- our own renderer makes it, at the width that is shown
          <img
            src={sheetPictureUrl(picture.asset, pictureVariants(picture.asset, CARD_RATIO, picture.focus).fallback)}
            alt="The picture that goes along"
            className="aspect-[40/21] w-full object-cover"
          />
        ) : (
          <p className="grid aspect-[40/12] place-items-center border-b border-dashed border-seam text-sm text-soft">
            There is no photo on the page, so the card has none.
          </p>
        )}
        <div className="px-4 py-3">
          <p style={{ fontSize: t.sizePx, lineHeight: 1.3 }} className="break-words font-bold text-ink">
            {title.words}
          </p>
          <p style={{ fontSize: d.sizePx, lineHeight: 1.4 }} className="mt-0.5 break-words text-soft">
            {description.words}
          </p>
          <p className="mt-0.5 truncate text-xs text-soft">
            {told.host}
            {told.name && ` · ${told.name}`}
          </p>
        </div>
      </div>
    </figure>
  )
}

function Rooms({ title, description }: { readonly title: PreviewText; readonly description: PreviewText }) {
  return (
    <span className="flex gap-3 font-mono text-xs font-normal">
      <Tape of={title} what="title" />
      <Tape of={description} what="description" />
    </span>
  )
}

/** How much of its room some words take, and whether that is too much. */
function Tape({ of: { share, isCut }, what }: { readonly of: PreviewText; readonly what: string }) {
  return (
    <span className={`flex items-baseline gap-1.5 ${isCut ? 'text-thread' : 'text-soft'}`}>
      {isCut ? `${what} cut:` : what}
      <LengthTape share={share} isCut={isCut} />
    </span>
  )
}
