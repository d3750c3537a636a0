'use client'
import { templateTexts } from '@/core/fill'
import { findPage, MAX_PAGE_TEXT, placeKey, type PageId, type PageText, type Place } from '@/core/site'
import { useJob } from '../job/job-context'
import { RowFrame } from './row-frame'
import { TextCell } from './text-cell'

type Props = {
  readonly page: PageId
  readonly inHand: string | null
  readonly onHold: (place: Place) => void
  readonly onChange: (part: PageText, value: string | null) => void
}

const PARTS: readonly { readonly part: PageText; readonly label: string }[] = [
  { part: 'name', label: 'Name in the menu' },
  { part: 'title', label: 'Title' },
  { part: 'description', label: 'Description' },
]

/** How the menu and search results show a page. A name and a title are made by themselves; the description is the client's to give. */
export function PageRows({ page, inHand, onHold, onChange }: Props) {
  return PARTS.map(({ part, label }) => (
    <PageRow key={part} page={page} part={part} label={label} inHand={inHand} onHold={onHold} onChange={onChange} />
  ))
}

function PageRow({ page, part, label, inHand, onHold, onChange }: Props & { readonly part: PageText; readonly label: string }) {
  const place: Place = { type: 'page', page, part }
  const id = placeKey(place)
  const value = useJob((s) => findPage(s.document, page)?.texts[part]?.text)
  const template = useJob((s) => {
    const found = findPage(s.document, page)
    return found ? templateTexts(s.pack, s.document, found)[part] : ''
  })
  return (
    <RowFrame
      id={id}
      label={label}
      template={<span className="line-clamp-2">{template}</span>}
      state={value !== undefined ? 'client’s' : part === 'description' ? 'leftover' : 'computed'}
      inHand={inHand === id}
      onHold={() => onHold(place)}
      onKeep={() => onChange(part, template.slice(0, MAX_PAGE_TEXT))}
      onBack={value === undefined ? undefined : () => onChange(part, null)}
    >
      <TextCell
        label={`In search results: ${label}`}
        lines="one"
        leftover={value === undefined}
        text={value ?? ''}
        onChange={(text) => onChange(part, text === '' ? null : text.slice(0, MAX_PAGE_TEXT))}
      />
    </RowFrame>
  )
}
