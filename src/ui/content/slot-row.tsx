'use client'
import { own } from '@/core/own'
import { memo, type ReactNode } from 'react'
import type { LedgerRow } from '@/core/fill'
import { thumbnailUrl, type AssetTable } from '@/core/image'
import { isEmptyValue, isSame, plainWords, samePlace, type RichText } from '@/core/site'
import { EntryLabel } from './entry-label'
import { HowMany } from './how-many'
import { HoldLines } from './hold-lines'
import { ImageCell } from './image-cell'
import { LinkCell } from './link-cell'
import { SameAs } from './link-to-source'
import { SameNote } from './linked-note'
import { RowFrame, type RowState } from './row-frame'
import type { SlotActions } from './slot-actions'
import { SortMenu } from './sort-menu'
import { TextCell } from './text-cell'
import { WordHelp } from './word-help'
import { WordsCell } from './words-cell'
import type { LineFit } from '../sheets/widths'
import { Button } from '../parts/button'
import { count } from '../parts/words'

type Props = {
  readonly id: string
  readonly row: LedgerRow
  readonly title: string
  /** What it is called among others of its kind, where it does not stand among its section's. */
  readonly name: string | null
  readonly inHand: boolean
  readonly busy: boolean
  readonly fit: LineFit | undefined
  readonly assets: AssetTable
  readonly isFirstOfItem: boolean
  readonly actions: SlotActions
}

/** The ledger's row of one slot. Drawn again only when its own content, fit or focus changes. */
export const SlotRow = memo(
  function SlotRow({ id, row, title, name, inHand, busy, fit, assets, isFirstOfItem, actions }: Props) {
    return (
      <RowFrame
        id={id}
        label={name ?? <SlotLabel row={row} isFirstOfItem={isFirstOfItem} actions={actions} />}
        template={<TemplateContent row={row} assets={assets} />}
        state={stateOf(row)}
        inHand={inHand}
        fit={row.type === 'text' || row.type === 'rich' || row.type === 'link' ? fit : undefined}
        lines={
          <span className="flex empty:hidden">
            {row.place === row.stands && row.type !== 'list' && <SameAs row={row} title={title} />}
            {(row.type === 'text' || row.type === 'rich') && <WordHelp row={row} title={title} />}
            {(row.type === 'text' || row.type === 'rich' || row.type === 'link') && <HoldLines row={row} title={title} />}
          </span>
        }
        onKeep={row.placeholder && row.place === row.stands ? () => actions.set(row, row.placeholder) : undefined}
        onConfirm={row.draft && row.value ? () => actions.confirm(row) : undefined}
        onSpare={row.same === null && isSparable(row) ? () => actions.spare(row) : undefined}
        onBack={row.same === null ? backTo(row, actions) : undefined}
        onHold={() => actions.hold(row)}
      >
        {row.type === 'list' && row.same ? null : <SlotCell row={row} title={title} busy={busy} assets={assets} actions={actions} />}
        <SameNote row={row} onGo={actions.goTo} />
      </RowFrame>
    )
  },
  (a, b) =>
    a.id === b.id &&
    a.inHand === b.inHand &&
    a.name === b.name &&
    a.busy === b.busy &&
    a.fit === b.fit &&
    a.assets === b.assets &&
    a.row.value === b.row.value &&
    a.row.placeholder === b.row.placeholder &&
    a.row.label === b.row.label &&
    a.row.entry?.hidden === b.row.entry?.hidden &&
    a.row.count?.shown === b.row.count?.shown &&
    a.row.count?.there === b.row.count?.there &&
    a.row.same === b.row.same &&
    samePlace(a.row.place, b.row.place) &&
    samePlace(a.row.stands, b.row.stands) &&
    a.isFirstOfItem === b.isFirstOfItem &&
    a.actions === b.actions,
)

const NO_WORDS: RichText = []

function stateOf(row: LedgerRow): RowState {
  if (row.entry?.hidden) return 'hidden'
  if (row.place !== row.stands) return 'same'
  if (row.leftover) return 'leftover'
  if (row.draft) return 'draft'
  if (row.value === null) return row.type === 'list' ? 'as designed' : 'not set'
  if (row.count) return row.count.shown === 0 ? 'not needed' : 'client’s'
  if (isEmptyValue(row.value)) return 'not needed'
  return isSame(row.value, row.placeholder) ? 'kept' : 'client’s'
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
          {(row.count?.shown ?? 0) > 0 && <HowMany row={row} />}
          <SameAs row={row} title={title} />
          {(row.count?.shown ?? 0) > 1 && actions.sortsOf(row).length > 0 && (
            <SortMenu sorts={actions.sortsOf(row)} onSort={(by) => actions.sortItems(row, by)} />
          )}
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
  return <EntryLabel row={row} entry={entry} actions={actions} />
}
