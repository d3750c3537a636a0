'use client'
import { useEffect, useMemo, useRef, useState } from 'react'
import { toast } from 'sonner'
import { findDesign, type Pack } from '@/core/pack'
import { canLook, choicesOf, designsIn, fromKept, type KeptSection, type Spot } from '@/core/plan'
import type { KeptLine } from '@/core/replies'
import { applyEdit, findPage, toEdit, type PageId, type SectionId, type SiteDocument } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { useSite } from '../job/use-site'
import { Button } from '../parts/button'
import { refuse } from '../request/refuse'
import { columnPx, SectionTryOn } from './section-try-on'
import { attempt, unique } from './use-acts'
import { linkKept, useKept } from './use-kept-sections'

type Props = { readonly page: PageId; readonly spot: Spot; readonly onAdded: (section: SectionId) => void }

/** Sections kept from any job, as they would stand here; one is taken in as a copy. */
export function KeptShelf({ page, spot, onAdded }: Props) {
  const store = useJobStore()
  const { kept, rename, remove } = useKept()
  const list = useRef<HTMLUListElement>(null)
  const take = async ({ id, section, assets }: KeptLine): Promise<void> => {
    try {
      await linkKept(id, store.getState().id)
    } catch (error) {
      return refuse(error)
    }
    assets.forEach((asset) => store.addAsset(asset))
    const { pack, document } = store.getState()
    const worn = inDesignThatFits(pack, document, section, spot)
    const made = fromKept(document, worn, spot, unique)
    if (attempt(store, made.steps, 'The section was not added') === null) return
    if (worn !== section) {
      const why = findDesign(pack, section.kind, section.design) ? 'is too wide for a column' : 'is not here any more'
      toast(`Its design ${section.design} ${why}, so it wears ${worn.design}.`)
    }
    onAdded(made.section)
  }
  const { pack } = store.getState()
  const fitting = (kept ?? []).filter(({ section }) => designsIn(pack, section.kind, spot.in).length > 0)
  if (kept === null) return <p className="text-sm text-soft">Fetching what you keep…</p>
  if (kept.length === 0)
    return <p className="text-sm text-soft">Nothing is kept yet. Choose a section and press Keep a copy…: it is here then, in every job.</p>
  if (fitting.length === 0) return <p className="text-sm text-soft">None of what is kept fits a side column.</p>
  return (
    <ul ref={list} className="grid min-h-0 flex-1 grid-cols-[repeat(auto-fill,296px)] content-start gap-3 overflow-y-auto">
      {fitting.map((line) => (
        <li key={line.id} className="border border-seam bg-cloth p-1">
          <KeptTryOn line={line} page={page} spot={spot} />
          <div className="flex items-center gap-1 pt-1">
            <NameField name={line.name} onName={(name) => rename(line.id, name)} />
            <Button onClick={() => void take(line)} aria-label={`Add ${line.name}`}>
              Add
            </Button>
            <Button look="quiet" onClick={() => remove(line.id)} aria-label={`Remove ${line.name}`}>
              Remove
            </Button>
          </div>
        </li>
      ))}
    </ul>
  )
}

/** A section in its own design; where that is gone with its pack, or too wide for the spot, in the first of its kind that fits. */
function inDesignThatFits(pack: Pack, document: SiteDocument, section: KeptSection, { in: where }: Spot): KeptSection {
  if (findDesign(pack, section.kind, section.design) && canLook(pack, section, where)) return section
  const [other] = choicesOf(pack, document, section.kind, where)
  return other ? { ...section, design: other.design } : section
}

function KeptTryOn({ line, page: id, spot }: { line: KeptLine; page: PageId; spot: Spot }) {
  const site = useSite()
  const tried = useMemo(() => {
    const { document, pack, assets } = site
    const made = fromKept(document, inDesignThatFits(pack, document, line.section, spot), spot, () => 'tried')
    const applied = applyEdit(document, toEdit(made.steps))
    const all = { ...assets, ...Object.fromEntries(line.assets.map((asset) => [asset.id, asset])) }
    return applied.ok ? { site: { ...site, document: applied.document, assets: all }, section: made.section } : null
  }, [site, line, spot])
  const page = tried && findPage(tried.site.document, id)
  if (!tried || !page) return null
  return (
    <SectionTryOn site={tried.site} page={page} section={tried.section} name={line.name} beside={columnPx(tried.site.document, spot)} />
  )
}

function NameField({ name, onName }: { name: string; onName: (name: string) => void }) {
  const [typed, setTyped] = useState(name)
  useEffect(() => setTyped(name), [name])
  const settle = (): void => {
    const next = typed.trim()
    if (next === '') setTyped(name)
    else if (next !== name) onName(next)
  }
  return (
    <input
      aria-label={`Name of ${name}`}
      className="min-w-0 flex-1 rounded-sm border border-clear bg-clear px-1 text-sm font-semibold hover:border-seam focus:bg-white"
      value={typed}
      maxLength={80}
      dir="auto"
      data-own-undo
      onChange={(event) => setTyped(event.target.value)}
      onBlur={settle}
      onKeyDown={(event) => event.key === 'Enter' && settle()}
    />
  )
}
