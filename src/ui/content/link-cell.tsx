'use client'
import { useState } from 'react'
import { isSafeUrl } from '@/core/pack'
import { linkedPage } from '@/core/fill'
import type { LinkTarget, SlotValueOf } from '@/core/site'
import { useJob } from '../job/job-context'
import { usePages } from '../job/use-pages'
import { useFileTarget } from '../job/use-file-target'
import { FileInput } from '../parts/file-input'

type Link = SlotValueOf<'link'>
type Props = { readonly label: string; readonly value: Link | null; readonly placeholder: Link; readonly onChange: (value: Link) => void }

const GONE = 'gone'

/** The choice that a link's target is: of a page, the one that it leads to today, whatever the template calls it. */
function useTarget(to: LinkTarget): string {
  return useJob(({ document }) => {
    if (to.type !== 'page') return JSON.stringify(to)
    const page = linkedPage(document, to.page)
    return page ? JSON.stringify({ type: 'page', page: page.id }) : GONE
  })
}

/** A link's words and where they lead: a page of the site, a fact, a file, or an address elsewhere. */
export function LinkCell({ label, value, placeholder, onChange }: Props) {
  const pages = usePages()
  // A link that was emptied leads where the template's does, once it has words again.
  const isSpared = value?.to.type === 'url' && value.to.url === ''
  const shown = value && !isSpared ? value : { ...placeholder, label: value ? value.label : placeholder.label }
  const target = useTarget(shown.to)
  const [typed, setTyped] = useState<string | null>(null)
  const file = useFileTarget((to) => {
    setTyped(null)
    onChange({ ...shown, to })
  })
  const elsewhere = shown.to.type === 'url' || typed !== null
  const address = typed ?? (shown.to.type === 'url' ? shown.to.url : '')
  const choose = (choice: string): void => {
    if (choice === 'url') return setTyped('')
    if (choice === 'file') return file.ask()
    setTyped(null)
    onChange({ ...shown, to: JSON.parse(choice) as LinkTarget })
  }
  const type = (url: string): void => {
    setTyped(url)
    if (isSafeUrl(url.trim())) onChange({ ...shown, to: { type: 'url', url: url.trim() } })
  }
  const select = 'rounded-sm border border-seam bg-white px-1.5 py-1 text-sm'
  return (
    <div className="grid gap-1">
      <div className="flex gap-1.5">
        <input
          aria-label={`${label}, words`}
          data-cell
          data-lines="one"
          maxLength={300}
          className="min-w-0 flex-1 rounded-sm border border-seam bg-white px-2 py-1 leading-snug placeholder:italic placeholder:text-soft"
          placeholder={value ? 'left empty' : 'the client’s words'}
          value={value?.label ?? ''}
          onChange={(e) => onChange({ ...shown, label: e.target.value })}
        />
        <select
          aria-label={`${label}, leads to`}
          className={select}
          value={elsewhere ? 'url' : target}
          onChange={(e) => choose(e.target.value)}
        >
          {target === GONE && <option value={GONE}>a page that is gone</option>}
          {pages.map((page) => (
            <option key={page.id} value={JSON.stringify({ type: 'page', page: page.id })}>
              {page.name}
            </option>
          ))}
          <option value={JSON.stringify({ type: 'fact', fact: 'phone' })}>Telephone</option>
          <option value={JSON.stringify({ type: 'fact', fact: 'email' })}>Email</option>
          <option value={JSON.stringify({ type: 'fact', fact: 'address' })}>Map</option>
          {shown.to.type === 'file' && <option value={target}>{shown.to.name}</option>}
          <option value="file">A file (PDF)…</option>
          <option value="url">Elsewhere…</option>
        </select>
        <FileInput input={file.input} label={`${label}, a file for visitors`} accept="application/pdf,.pdf" onFiles={file.take} />
      </div>
      {elsewhere && (
        <>
          <input
            aria-label={`${label}, web address`}
            className={`${select} w-full font-mono`}
            maxLength={2000}
            placeholder="https://"
            value={address}
            onChange={(e) => type(e.target.value)}
            onBlur={() => isSafeUrl(address) && setTyped(null)}
          />
          {address !== '' && !isSafeUrl(address.trim()) && (
            <p className="text-sm font-medium text-thread" role="alert">
              ✕ Write the whole address, such as https://example.com/page.
            </p>
          )}
        </>
      )}
    </div>
  )
}
