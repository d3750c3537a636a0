'use client'
import { own } from '@/core/own'
import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react'
import { memo, type ReactNode } from 'react'
import type { LedgerRow, PastedTable } from '@/core/fill'
import { thumbnailUrl, type AssetTable } from '@/core/image'
import { isEmptyValue, plainWords, type LinkTarget, type RichText, type SlotValue, type SlotValueOf } from '@/core/site'
import type { SortBy } from '@/core/plan'
import { HoldLines } from './hold-lines'
import { ImageCell } from './image-cell'
import { LinkCell } from './link-cell'
import { RowFrame, type RowState } from './row-frame'
import { TextCell } from './text-cell'
import { WordsCell } from './words-cell'
import type { LineFit } from '../sheets/widths'
import { Button } from '../parts/button'
import { count } from '../parts/words'

export type SlotActions = {
  readonly set: (row: LedgerRow, value: SlotValue | null) => void
  /** Words are about to lead somewhere. */
  readonly target: (row: LedgerRow, to: LinkTarget) => void
  /** Leads a button somewhere: a step of its own beside what is typed on it. */
  readonly lead: (row: LedgerRow, value: SlotValueOf<'link'>) => void
  readonly file: (row: LedgerRow, file: File) => void
  readonly pour: (row: LedgerRow, table: PastedTable) => void
  readonly hold: (row: LedgerRow) => void
  /** Says that the place, or the whole list, is not needed: nothing stands there. */
  readonly spare: (row: LedgerRow) => void
  readonly confirm: (row: LedgerRow) => void
  readonly addItem: (row: LedgerRow) => void
  /** Puts the entries of a list in order. */
  readonly sortItems: (row: LedgerRow, by: SortBy) => void
  /** By what a list can be sorted. */
  readonly sortsOf: (row: LedgerRow) => readonly SortBy[]
  readonly moveItem: (row: LedgerRow, by: -1 | 1) => void
  readonly removeItem: (row: LedgerRow) => void
  /** Takes out what was done with a list by hand: it has the template's entries again. */
  readonly resetList: (row: LedgerRow) => void
}
type Props = {
  readonly id: string
  readonly row: LedgerRow
  readonly title: string
  readonly inHand: boolean
  readonly busy: boolean
  readonly fit: LineFit | undefined
  readonly assets: AssetTable
  readonly isFirstOfItem: boolean
  readonly actions: SlotActions
}

/** The ledger's row of one slot. Drawn again only when its own content, fit or focus changes. */
export const SlotRow = memo(
  function SlotRow({ id, row, title, inHand, busy, fit, assets, isFirstOfItem, actions }: Props) {
    return (
      <RowFrame
        id={id}
        label={<SlotLabel row={row} isFirstOfItem={isFirstOfItem} actions={actions} />}
        template={<TemplateContent row={row} assets={assets} />}
        state={stateOf(row)}
        inHand={inHand}
        fit={row.type === 'text' || row.type === 'rich' || row.type === 'link' ? fit : undefined}
        lines={row.type === 'text' || row.type === 'rich' ? <HoldLines row={row} title={title} /> : undefined}
        onKeep={row.placeholder ? () => actions.set(row, row.placeholder) : undefined}
        onConfirm={row.draft && row.value ? () => actions.confirm(row) : undefined}
        onSpare={isSparable(row) ? () => actions.spare(row) : undefined}
        onBack={backTo(row, actions)}
        onHold={() => actions.hold(row)}
      >
        <SlotCell row={row} title={title} busy={busy} assets={assets} actions={actions} />
      </RowFrame>
    )
  },
  (a, b) =>
    a.id === b.id &&
    a.inHand === b.inHand &&
    a.busy === b.busy &&
    a.fit === b.fit &&
    a.assets === b.assets &&
    a.row.value === b.row.value &&
    a.row.placeholder === b.row.placeholder &&
    a.row.label === b.row.label &&
    a.row.count?.shown === b.row.count?.shown &&
    a.isFirstOfItem === b.isFirstOfItem &&
    a.actions === b.actions,
)

const NO_WORDS: RichText = []

function stateOf(row: LedgerRow): RowState {
  if (row.leftover) return 'leftover'
  if (row.draft) return 'draft'
  if (row.value === null) return row.type === 'list' ? 'as designed' : 'left empty'
  if (row.count) return row.count.shown === 0 ? 'left empty' : 'client’s'
  if (isEmptyValue(row.value)) return 'left empty'
  return JSON.stringify(row.value) === JSON.stringify(row.placeholder) ? 'kept' : 'client’s'
}

function SlotCell({
  row,
  title,
  busy,
  assets,
  actions,
}: {
  row: LedgerRow
  title: string
  busy: boolean
  assets: AssetTable
  actions: SlotActions
}): ReactNode {
  const label = `${title}: ${row.label}`
  const { value, placeholder } = row
  switch (row.type) {
    case 'text':
      return (
        <TextCell
          label={label}
          lines="one"
          leftover={row.leftover}
          text={value?.type === 'text' ? value.text : ''}
          onChange={(text) => actions.set(row, { type: 'text', text })}
          onPour={(table) => actions.pour(row, table)}
        />
      )
    case 'rich':
      return (
        <WordsCell
          row={row}
          label={label}
          rich={value?.type === 'rich' ? value.rich : NO_WORDS}
          onChange={(rich) => actions.set(row, { type: 'rich', rich })}
          onTarget={(to) => actions.target(row, to)}
        />
      )
    case 'image':
      return (
        <ImageCell
          label={label}
          value={value?.type === 'image' && !isEmptyValue(value) ? value : null}
          asset={value?.type === 'image' ? own(assets, value.asset) : undefined}
          busy={busy}
          onFile={(file) => actions.file(row, file)}
          onChange={(next) => actions.set(row, next)}
        />
      )
    case 'link':
      return (
        <LinkCell
          label={label}
          value={value?.type === 'link' ? value : null}
          placeholder={placeholder?.type === 'link' ? placeholder : { type: 'link', label: '', to: { type: 'fact', fact: 'phone' } }}
          onChange={(next) => actions.set(row, next)}
          onLead={(next) => actions.lead(row, next)}
        />
      )
    case 'list':
      return (
        <div className="flex flex-wrap gap-1.5">
          <Button data-cell onClick={() => actions.addItem(row)}>
            Add an entry
          </Button>
          {(row.count?.shown ?? 0) > 1 &&
            actions.sortsOf(row).map((by) => (
              <Button key={by} look="quiet" onClick={() => actions.sortItems(row, by)}>
                {by === 'name' ? 'Sort by name' : 'Sort by price'}
              </Button>
            ))}
        </div>
      )
    default:
      return row.type satisfies never
  }
}

/** A leftover, or a list that still has entries. */
function isSparable(row: LedgerRow): boolean {
  return row.leftover || (row.count !== null && row.count.shown > 0)
}

/** What brings the template's own back; nothing where nothing was done here, or where the template has nothing. */
function backTo(row: LedgerRow, actions: SlotActions): (() => void) | undefined {
  if (row.value === null) return undefined
  if (row.type === 'list') return () => actions.resetList(row)
  return row.placeholder ? () => actions.set(row, null) : undefined
}

function TemplateContent({ row, assets }: { row: LedgerRow; assets: AssetTable }) {
  if (row.count) return <span className="line-clamp-2">{count(row.count.template, 'entry', 'entries')}</span>
  const value = row.placeholder
  if (!value) return null
  if (value.type === 'image') {
    const asset = own(assets, value.asset)
    return asset ? (
      <img src={thumbnailUrl(asset, 240)} alt={`Template’s picture: ${value.alt}`} className="h-10 border border-seam" />
    ) : null
  }
  return (
    <span className="line-clamp-2" dir="auto">
      {plainWords(value)}
    </span>
  )
}

function SlotLabel({ row, isFirstOfItem, actions }: { row: LedgerRow; isFirstOfItem: boolean; actions: SlotActions }) {
  const { entry } = row
  if (!entry || !isFirstOfItem) return <span className={entry ? 'font-normal text-soft' : ''}>{row.label}</span>
  const button = 'rounded-sm border border-clear p-0.5 text-soft hover:border-ink hover:text-ink'
  return (
    <span className="flex items-start justify-between gap-1">
      {row.label}
      <span className="flex">
        <button type="button" className={button} aria-label={`Move entry ${entry.number} up`} onClick={() => actions.moveItem(row, -1)}>
          <ArrowUp size={12} aria-hidden />
        </button>
        <button type="button" className={button} aria-label={`Move entry ${entry.number} down`} onClick={() => actions.moveItem(row, 1)}>
          <ArrowDown size={12} aria-hidden />
        </button>
        <button type="button" className={button} aria-label={`Add an entry after ${entry.number}`} onClick={() => actions.addItem(row)}>
          <Plus size={12} aria-hidden />
        </button>
        <button type="button" className={button} aria-label={`Take entry ${entry.number} out`} onClick={() => actions.removeItem(row)}>
          <X size={12} aria-hidden />
        </button>
      </span>
    </span>
  )
}
