'use client'
import { Popover } from 'radix-ui'
import { freeAnchor } from '@/core/plan'
import { findSection, MAX_SECTION_NAME, type SectionId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { buttonClass } from '../parts/button'
import { Cell } from './cell'
import { attempt } from './use-acts'
import { Panel } from '../parts/panel'

/** What a section is called in the lists, and the name that links find it by. */
export function SectionNames({ section: id }: { section: SectionId | null }) {
  const store = useJobStore()
  const section = useJob((s) => (id === null ? null : findSection(s.document, id)))
  return (
    <Popover.Root>
      <Popover.Trigger className={buttonClass('quiet')} disabled={section === null}>
        Name
      </Popover.Trigger>
      <Panel align="start" sideOffset={2} className="grid w-80 gap-2 p-3" aria-label="Names of this section">
        {section && (
          <>
            <div className="grid grid-cols-[7rem_1fr] items-center gap-2 text-sm">
              <span>Name</span>
              <Cell
                label="Name of the section"
                value={section.name ?? ''}
                placeholder={section.kind}
                max={MAX_SECTION_NAME}
                onKeep={(text) =>
                  attempt(store, { type: 'section/set', section: section.id, part: 'name', value: text.trim() || null }, 'Not taken') !==
                  null
                }
                onLeave={() => undefined}
              />
              <span>Anchor (#)</span>
              <Cell
                label="Name for links"
                mono
                value={section.anchor ?? ''}
                placeholder="none"
                max={60}
                onKeep={(text) => {
                  const { document } = store.getState()
                  const value = text.trim() === '' ? null : freeAnchor(document, section, text)
                  return attempt(store, { type: 'section/set', section: section.id, part: 'anchor', value }, 'Not taken') !== null
                }}
                onLeave={() => undefined}
              />
            </div>
            <p className="text-xs text-soft">Enter keeps what is typed.</p>
          </>
        )}
      </Panel>
    </Popover.Root>
  )
}
