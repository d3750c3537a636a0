'use client'
import { designsIn } from '@/core/plan'
import { entriesOf, findSection, type SectionId } from '@/core/site'
import { confirmDrafts } from '@/core/trade'
import { notShownIn } from '@/core/wear'
import { useKeyWords } from '../keys/use-key'
import { useJob, useJobStore } from '../job/job-context'
import { ShownUntil } from './shown-until'

/** What can be done with a section as a whole, and what its design has no place for. */
export function SectionTools({ section: id, onDesigns }: { section: SectionId; onDesigns: (section: SectionId) => void }) {
  const store = useJobStore()
  const keyWords = useKeyWords()
  const pack = useJob((s) => s.pack)
  const section = useJob((s) => findSection(s.document, id))
  // What is in its entries is read below; they are kept beside the section.
  useJob((s) => entriesOf(s.document, id))
  if (!section) return null
  const { document } = store.getState()
  const hidden = notShownIn(pack, document, section)
  const drafts = confirmDrafts(document, [section])
  const look = 'rounded-sm border border-seam bg-cloth px-1.5 text-sm font-normal tracking-normal hover:border-ink hover:bg-tape'
  return (
    <>
      <button
        type="button"
        className={look}
        onClick={() => onDesigns(id)}
        data-designs={id}
        title={`Walk through the designs (${keyWords('designs')})`}
      >
        Designs ({designsIn(pack, section.kind, section.in).length})
      </button>
      {(section.kind === 'notice' || section.until !== undefined) && <ShownUntil section={id} />}
      {drafts && (
        <button type="button" className={look} onClick={() => store.apply(drafts)}>
          Confirm all drafts
        </button>
      )}
      {hidden.length > 0 && (
        <span className="text-sm font-normal tracking-normal text-thread" title={hidden.map((h) => `${h.slot}: ${h.words}`).join('\n')}>
          not shown in this design: {hidden.map((h) => h.slot).join(', ')}
        </span>
      )}
    </>
  )
}
