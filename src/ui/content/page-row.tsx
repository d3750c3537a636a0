'use client'
import { useState } from 'react'
import { leftoverParts, pageTexts, usualText } from '@/core/fill'
import { addressSteps, PAGE_PART_SAID } from '@/core/ledger'
import { toSegment } from '@/core/pages'
import { findPage, homePage, MAX_PAGE_TEXT, placeKey, toEdit, type PageId, type PageText, type Place } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { RowFrame } from './row-frame'
import { TextCell } from './text-cell'

type Props = { readonly page: PageId; readonly name: string; readonly inHand: boolean; readonly onHold: (place: Place) => void }

/** How menus and search results show a page. A title is made by itself; name and description are the client's to give or keep. */
export function PageRow({ page, part, name, inHand, onHold }: Props & { readonly part: PageText }) {
  const store = useJobStore()
  const gesture = useGesture()
  const onChange = (text: string | null): void =>
    void store.apply({ type: 'page/set', page, part, value: text }, gesture(`page ${page} ${part}`))
  const place: Place = { type: 'page', page, part }
  const id = placeKey(place)
  const value = useJob((s) => findPage(s.document, page)?.texts[part]?.text)
  const template = useJob((s) => {
    const found = findPage(s.document, page)
    return found ? usualText(s.pack, s.document, found, part) : ''
  })
  return (
    <RowFrame
      id={id}
      label={name}
      template={<span className="line-clamp-2">{template}</span>}
      state={
        value === undefined ? (part === 'title' || part === 'label' ? 'computed' : 'leftover') : value === template ? 'kept' : 'client’s'
      }
      inHand={inHand}
      onHold={() => onHold(place)}
      onKeep={() => onChange(template.slice(0, MAX_PAGE_TEXT))}
      onBack={value === undefined ? undefined : () => onChange(null)}
    >
      <TextCell
        label={`Page: ${PAGE_PART_SAID[part]}`}
        lines="one"
        leftover={value === undefined}
        text={value ?? ''}
        onChange={(text) => onChange(text === '' ? null : text.slice(0, MAX_PAGE_TEXT))}
      />
    </RowFrame>
  )
}

/** The page's address, made from what the page is called, or typed. */
export function AddressRow({ page, name: label, inHand, onHold }: Props) {
  const store = useJobStore()
  const onAddress = (segment: string | null): void => void store.apply(toEdit(addressSteps(page, segment)))
  const place: Place = { type: 'page', page, part: 'address' }
  const id = placeKey(place)
  const segment = useJob((s) => findPage(s.document, page)?.segment ?? '')
  const open = useJob((s) => leftoverParts(findPage(s.document, page) ?? homePage(s.document), 'page').includes('address'))
  const name = useJob((s) => {
    const found = findPage(s.document, page)
    return found ? pageTexts(s.pack, s.document, found).name : ''
  })
  const proposed = toSegment(name)
  return (
    <RowFrame
      id={id}
      label={label}
      template={<span className="font-mono text-xs">{open ? `/${segment}/` : ''}</span>}
      state={open ? 'leftover' : 'client’s'}
      inHand={inHand}
      onHold={() => onHold(place)}
      onKeep={() => onAddress(segment)}
      onBack={open ? undefined : () => onAddress(null)}
    >
      <AddressInput key={segment} segment={open ? '' : segment} proposed={proposed === segment ? '' : proposed} onAddress={onAddress} />
    </RowFrame>
  )
}

const INPUT = 'min-w-40 flex-1 rounded-sm border border-seam bg-white px-2 py-1 font-mono text-sm placeholder:italic placeholder:text-soft'

/** Typed in any words, kept as an address takes them, once the field is left or Enter is pressed. */
function AddressInput({ segment, proposed, onAddress }: { segment: string; proposed: string; onAddress: (segment: string) => void }) {
  const [typed, setTyped] = useState(segment)
  const settle = (): void => {
    const next = toSegment(typed)
    if (next !== '' && next !== segment) onAddress(next)
    setTyped(next === '' ? segment : next)
  }
  return (
    <div className="flex flex-wrap items-center gap-2">
      <input
        aria-label="Page: Address"
        data-cell
        data-own-undo
        className={INPUT}
        value={typed}
        maxLength={80}
        spellCheck={false}
        placeholder="the client’s words"
        onChange={(event) => setTyped(event.target.value)}
        onBlur={settle}
        onKeyDown={(event) => event.key === 'Enter' && settle()}
      />
      {proposed !== '' && (
        <button
          type="button"
          className="rounded-sm border border-seam px-1.5 text-sm hover:border-ink hover:bg-tape"
          onClick={() => onAddress(proposed)}
        >
          Use /{proposed}/
        </button>
      )}
    </div>
  )
}
