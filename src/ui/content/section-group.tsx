'use client'
import { sectionRows, type LedgerRow } from '@/core/fill'
import { designsIn } from '@/core/plan'
import { entriesOf, findSection, placeKey, reachOf, type SectionId } from '@/core/site'
import { confirmDrafts } from '@/core/trade'
import { notShownIn } from '@/core/wear'
import { useJob, useJobStore } from '../job/job-context'
import { capital } from '../parts/words'
import type { LineFit } from '../sheets/widths'
import { GroupFrame } from './group-frame'
import { ShownUntil } from './shown-until'
import { SlotRow, type SlotActions } from './slot-row'

const NO_ROWS: readonly LedgerRow[] = []

type Props = {
  readonly section: SectionId
  readonly inHand: string | null
  readonly fits: ReadonlyMap<string, LineFit>
  readonly folded: boolean
  readonly busy: ReadonlySet<string>
  readonly actions: SlotActions
  readonly onDesigns: (section: SectionId) => void
}

/** The places of one section. */
export function SectionGroup({ section: id, inHand, fits, folded, busy, actions, onDesigns }: Props) {
  const kind = useJob((s) => findSection(s.document, id)?.kind)
  const reach = useJob((s) => reachOf(s.document, id))
  const assets = useJob((s) => s.assets)
  const rows = useJob((s) => {
    const section = findSection(s.document, id)
    return section ? sectionRows(s.pack, s.document, section) : NO_ROWS
  })
  if (!kind) return null
  return (
    <GroupFrame title={kind} reach={reach} folded={folded} tools={<SectionTools section={id} onDesigns={onDesigns} />}>
      {rows.map((row, i) => {
        const key = placeKey(row.place)
        if (folded && key !== inHand) return null
        return (
          <SlotRow
            key={key}
            id={key}
            row={row}
            title={capital(kind)}
            inHand={inHand === key}
            busy={busy.has(key)}
            fit={fits.get(key)}
            assets={assets}
            isFirstOfItem={row.entry !== null && rows[i - 1]?.entry?.key !== row.entry.key}
            actions={actions}
          />
        )
      })}
    </GroupFrame>
  )
}

/** What can be done with a section as a whole, and what its design has no place for. */
function SectionTools({ section: id, onDesigns }: { section: SectionId; onDesigns: (section: SectionId) => void }) {
  const store = useJobStore()
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
      <button type="button" className={look} onClick={() => onDesigns(id)} data-designs={id} title="Walk through the designs (Alt+D)">
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
