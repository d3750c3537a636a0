'use client'
import { freeAnchor } from '@/core/plan'
import { findSection, MAX_SECTION_NAME, type SectionId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Cell } from './cell'
import { attempt } from './use-acts'

/** What a section is called in the lists, and the name that links find it by. */
export function SectionNames({ section: id }: { section: SectionId }) {
  const store = useJobStore()
  const section = useJob((s) => findSection(s.document, id))
  if (!section) return null
  const set = (part: 'name' | 'anchor', value: string | null, fails: string): boolean =>
    attempt(store, { type: 'section/set', section: id, part, value }, fails) !== null
  return (
    <div className="grid w-80 grid-cols-[7rem_1fr] items-center gap-2 text-sm">
      <span>Name</span>
      <Cell
        label="Name of the section"
        value={section.name ?? ''}
        placeholder={section.kind}
        max={MAX_SECTION_NAME}
        onKeep={(text) => set('name', text.trim() || null, 'The section was not renamed')}
        onLeave={() => undefined}
      />
      <span>Anchor (#)</span>
      <Cell
        label="Anchor of the section"
        mono
        value={section.anchor ?? ''}
        placeholder="none"
        max={60}
        onKeep={(text) => {
          const value = text.trim() === '' ? null : freeAnchor(store.getState().document, section, text)
          return set('anchor', value, 'The anchor was not set')
        }}
        onLeave={() => undefined}
      />
      <p className="col-span-2 text-xs text-soft">Enter keeps what is typed.</p>
    </div>
  )
}
