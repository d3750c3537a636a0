'use client'
import { X } from 'lucide-react'
import { nanoid } from 'nanoid'
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react'
import type { Site } from '@/core/fill'
import { designsIn } from '@/core/plan'
import {
  applyEdit,
  findPage,
  findSection,
  homePage,
  reachOf,
  TONES,
  type Edit,
  type PageId,
  type Section,
  type SectionId,
  type Tone,
} from '@/core/site'
import { useJobStore } from '../job/job-context'
import { useSite } from '../job/use-site'
import { TryOn } from '../sheets/try-on'

type Props = { readonly section: SectionId; readonly page: PageId; readonly onClose: () => void }
const WIDTH = 232
const HEIGHT = 132

/**
 * The designs of a section's kind, each drawn live with the client's content. Arrow keys walk the section on the page
 * itself through them and through the tones; Enter keeps, Escape puts back what was there. One step to undo.
 */
export function DesignStrip({ section: id, page, onClose }: Props) {
  const store = useJobStore()
  const site = useSite()
  const { pack, document } = site
  const section = findSection(document, id)
  const [group] = useState(() => `design ${nanoid(8)}`)
  const [first] = useState(section)
  const list = useRef<HTMLDivElement>(null)
  const designs = useMemo(() => (section ? designsIn(pack, section.kind, section.in) : []), [pack, section])
  useEffect(() => {
    list.current?.focus()
  }, [])
  useEffect(() => {
    list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  }, [section?.design])
  if (!section) return null

  const wear = (part: 'design' | 'tone', value: string): void => {
    if (section[part] !== value) store.apply({ type: 'section/set', section: id, part, value } as Edit, group)
  }
  const step = <T extends string>(of: readonly T[], now: string, by: number): T =>
    of[(of.findIndex((x) => x === now) + by + of.length) % of.length] ?? (now as T)
  const press = (event: KeyboardEvent): void => {
    const across = { ArrowRight: 1, ArrowLeft: -1 }[event.key]
    const along = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (across) wear('design', step(designs, section.design, across))
    else if (along) wear('tone', step(TONES, section.tone, along))
    else if (event.key === 'Enter') onClose()
    else if (event.key === 'Escape') {
      if (first) {
        wear('design', first.design)
        wear('tone', first.tone)
      }
      onClose()
    } else return
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    <section className="shrink-0 border-t border-ink bg-cloth" aria-label={`Designs of the section ${section.kind}`}>
      <div className="flex items-center gap-4 px-4 py-1.5">
        <h2 className="font-bold tracking-tight">
          {section.kind}: design {designs.indexOf(section.design) + 1} of {designs.length}
        </h2>
        <span className="font-mono text-xs text-soft">changes {reachOf(document, id)}</span>
        <ToneChoice tone={section.tone} onTone={(tone) => wear('tone', tone)} />
        <button
          type="button"
          className="rounded-sm border border-clear p-1 hover:border-ink"
          aria-label="Close the designs"
          title="Close"
          onClick={onClose}
        >
          <X size={15} aria-hidden />
        </button>
      </div>
      <div
        ref={list}
        role="listbox"
        tabIndex={0}
        aria-label="Designs"
        aria-orientation="horizontal"
        aria-activedescendant={`design-${section.design}`}
        onKeyDown={press}
        className="flex gap-3 overflow-x-auto px-4 pb-3 pt-1"
      >
        {designs.map((design, i) => (
          <div
            key={design}
            id={`design-${design}`}
            role="option"
            aria-selected={design === section.design}
            aria-label={`${i + 1}. ${design}`}
            onClick={() => wear('design', design)}
            className={`shrink-0 cursor-pointer border-2 ${design === section.design ? 'border-ink bg-tape' : 'border-clear'}`}
          >
            <TryOn
              site={withDesign(site, section, design)}
              page={findPage(document, page) ?? homePage(document)}
              layout={1280}
              width={WIDTH}
              height={HEIGHT}
              label={design}
              only={id}
            />
            <span className="block px-1 font-mono text-xs">{design}</span>
          </div>
        ))}
      </div>
      <p className="border-t border-seam px-4 py-1 font-mono text-xs text-soft">
        ← → next design · ↑ ↓ next tone · Enter keep · Escape as it was
      </p>
    </section>
  )
}

function ToneChoice({ tone, onTone }: { tone: Tone; onTone: (tone: Tone) => void }) {
  return (
    <fieldset className="ms-auto flex items-center gap-1 text-sm">
      <legend className="sr-only">Tone</legend>
      {TONES.map((t) => (
        <label
          key={t}
          className="cursor-pointer border border-clear px-1.5 has-checked:border-ink has-checked:bg-tape has-focus-visible:outline-2"
        >
          <input type="radio" name="tone" className="sr-only" checked={t === tone} onChange={() => onTone(t)} />
          {t}
        </label>
      ))}
    </fieldset>
  )
}

/** The site with a section in another design. */
function withDesign(site: Site, section: Section, design: string): Site {
  const applied = applyEdit(site.document, { type: 'section/set', section: section.id, part: 'design', value: design })
  return applied.ok ? { ...site, document: applied.document } : site
}
