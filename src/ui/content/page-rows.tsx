'use client'
import { getTemplate, pageTexts } from '@/core/pack'
import { findPage, type Page, type PageId } from '@/core/site'
import { useJob } from '../job/job-context'
import { RowFrame } from './row-frame'
import { TextCell } from './text-cell'

type Part = 'name' | 'title' | 'description'
type Props = { readonly page: PageId; readonly inHand: string | null; readonly onHold: (part: Part) => void; readonly onChange: (part: Part, value: string | null) => void }

const PARTS: readonly { readonly part: Part; readonly label: string }[] = [
  { part: 'name', label: 'Name in the menu' },
  { part: 'title', label: 'Title' },
  { part: 'description', label: 'Description' },
]

/** How the menu and search results show a page. A name and a title are made by themselves; the description is the client's to give. */
export function PageRows({ page, inHand, onHold, onChange }: Props) {
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const found = findPage(document, page)
  if (!found) return null
  const computed = pageTexts(pack, document, plain(found))
  const description = getTemplate(pack, document.template).pages.find((p) => p.key === found.from)?.description ?? ''
  const template: Record<Part, string> = { name: computed.name, title: computed.title, description }
  return PARTS.map(({ part, label }) => {
    const id = `page ${page} ${part}`
    const value = found[part]
    return (
      <RowFrame key={id} id={id} label={label} template={<span className="line-clamp-2">{template[part]}</span>} state={value !== undefined ? 'client’s' : part === 'description' ? 'leftover' : 'computed'} inHand={inHand === id} onHold={() => onHold(part)} onKeep={() => onChange(part, template[part])} onBack={value === undefined ? undefined : () => onChange(part, null)}>
        <TextCell label={`In search results: ${label}`} lines="one" leftover={value === undefined} text={value ?? ''} onChange={(text) => onChange(part, text === '' ? null : text.slice(0, 1000))} />
      </RowFrame>
    )
  })
}

function plain(page: Page): Page {
  return { id: page.id, from: page.from, segment: page.segment, sections: page.sections }
}
