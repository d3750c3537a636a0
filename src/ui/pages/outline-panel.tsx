'use client'
import { useEffect, useMemo, useRef, useState } from 'react'
import { findPageDesign, nameProblem, newPages, readOutline, type OutlineLine } from '@/core/plan'
import { findTemplate, type Pack } from '@/core/pack'
import { applyEdit, toEdit, type PageId, type PageOrigin, type SiteDocument } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { count } from '../parts/words'
import { attemptWithUndo, unique } from './use-acts'

type Props = { readonly onAdded: (page: PageId) => void; readonly onClose: () => void }
type Understood = OutlineLine & { readonly origin: PageOrigin | null; readonly exists: boolean; readonly under: number | null }

/** A plan of a site as it was written down; what was understood of it is shown before it becomes pages. */
export function OutlinePanel({ onAdded, onClose }: Props) {
  const store = useJobStore()
  const pack = useJob((s) => s.pack)
  const pages = useJob((s) => s.document.pages)
  const [text, setText] = useState('')
  const input = useRef<HTMLTextAreaElement>(null)
  useEffect(() => input.current?.focus(), [])
  const outline = useMemo(() => readOutline(text), [text])
  const found = useMemo(
    () => understand(pack, store.getState().document, outline.lines),
    // Only the names of pages decide what is there already.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [pack, pages, outline],
  )
  const fresh = found.filter((line) => !line.exists)
  const add = (): void => {
    const { document } = store.getState()
    const at = new Map(fresh.map((line, i) => [found.indexOf(line), i]))
    const wanted = fresh.map(({ origin, name, under }) => ({ origin, name, under: under === null ? null : (at.get(under) ?? null) }))
    const made = newPages(pack, document, wanted, unique, (now, steps) => {
      const applied = applyEdit(now, toEdit(steps))
      return applied.ok ? applied.document : now
    })
    const isDone = attemptWithUndo(store, made.steps, 'The pages are not added', `${count(fresh.length, 'page')} added from the outline.`)
    const [first] = made.pages
    if (isDone && first) onAdded(first)
  }
  const left = [
    outline.beyond > 0 ? `${count(outline.beyond, 'line')} beyond the first 500 left out` : '',
    outline.cut > 0 ? `${count(outline.cut, 'name')} cut to 120 characters` : '',
    outline.raised > 0 ? `${count(outline.raised, 'line')} raised to the third level` : '',
  ].filter(Boolean)
  return (
    <section
      aria-label="Paste an outline"
      className="grid min-h-0 flex-1 grid-cols-[20rem_minmax(0,1fr)] gap-4 pb-3"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <label className="flex min-h-0 flex-col gap-1 text-sm font-semibold">
        A line a page; indent what stands under another
        <textarea
          ref={input}
          data-own-undo
          className="min-h-0 flex-1 resize-none rounded-sm border border-seam bg-white p-2 font-mono text-sm font-normal"
          dir="auto"
          spellCheck={false}
          value={text}
          placeholder={'Services\n  Kitchens\n  Bathrooms\nPrices\nContact'}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Tab' || event.shiftKey) return
            // Tab indents where something is written; from an empty field it goes on.
            if (text === '') return
            event.preventDefault()
            event.currentTarget.setRangeText('\t', event.currentTarget.selectionStart, event.currentTarget.selectionEnd, 'end')
            setText(event.currentTarget.value)
          }}
        />
      </label>
      <div className="flex min-h-0 flex-col">
        <p role="status" className="pb-1 text-sm">
          {found.length === 0
            ? 'What is understood is shown here before anything is added.'
            : `${count(fresh.length, 'page')} to add${found.length > fresh.length ? `, ${found.length - fresh.length} there already` : ''}`}
          {left.length > 0 && <span className="text-thread"> · {left.join(' · ')}</span>}
        </p>
        <ol className="min-h-0 flex-1 overflow-y-auto border border-seam bg-cloth">
          {found.map((line, i) => (
            <li
              key={`${i} ${line.name}`}
              className={`flex items-baseline gap-3 border-b border-grid px-2 py-1 text-sm ${line.exists ? 'text-soft' : ''}`}
              style={{ paddingInlineStart: 8 + line.level * 20 }}
            >
              <span className="min-w-0 truncate font-semibold" dir="auto">
                {line.name}
              </span>
              <span className="ms-auto shrink-0 text-xs text-soft">{line.exists ? 'there already' : designWords(pack, line.origin)}</span>
            </li>
          ))}
        </ol>
        <p className="flex gap-2 pt-2">
          <Button look="main" disabled={fresh.length === 0} onClick={add}>
            Add {count(fresh.length, 'page')}
          </Button>
          <Button look="quiet" onClick={onClose}>
            Close
          </Button>
        </p>
      </div>
    </section>
  )
}

function understand(pack: Pack, document: SiteDocument, lines: readonly OutlineLine[]): readonly Understood[] {
  const names = new Set<string>()
  const above: number[] = []
  return lines.map((line, i) => {
    above.length = line.level
    const under = line.level === 0 ? null : (above[line.level - 1] ?? null)
    above[line.level] = i
    const folded = line.name.toLocaleLowerCase()
    const exists = names.has(folded) || nameProblem(pack, document, line.name)?.code === 'nameTaken'
    names.add(folded)
    return { ...line, under, exists, origin: exists ? null : findPageDesign(pack, document, line.name) }
  })
}

function designWords(pack: Pack, origin: PageOrigin | null): string {
  const template = origin && findTemplate(pack, origin.template)
  const page = template?.pages.find((p) => p.key === origin?.page)
  return template && page ? `like “${page.name}” of ${template.name}` : 'blank'
}
