'use client'
import { memo } from 'react'
import { capital } from '@/core/capital'
import { isLedgerFact } from '@/core/fill'
import { findRow, type Listed } from '@/core/ledger'
import { findSection, type Place, type SlotPlace } from '@/core/site'
import { useJob } from '../job/job-context'
import type { LineFit } from '../sheets/widths'
import { ColourRow, LogoRow } from './brand-row'
import { FactRow } from './fact-row'
import { LabelRow } from './label-row'
import { AddressRow, PageRow } from './page-row'
import type { SlotActions } from './slot-actions'
import { SlotRow } from './slot-row'

type Props = {
  readonly listed: Listed
  readonly inHand: boolean
  /** It is called by where it stands, among others of its kind. */
  readonly isNamed: boolean
  readonly isFirstOfItem: boolean
  readonly busy: boolean
  readonly fit: LineFit | undefined
  readonly actions: SlotActions
  readonly onHold: (place: Place) => void
}

/** The row of any place that the ledger lists. */
export const ListedRow = memo(function ListedRow({ listed, onHold, ...props }: Props) {
  const { place, name } = listed
  const { inHand } = props
  const hold = (): void => onHold(place)
  switch (place.type) {
    case 'slot':
      return <SlotAt {...props} place={listed.row?.stands ?? place} id={listed.key} name={props.isNamed ? name : null} />
    case 'fact':
      return isLedgerFact(place.fact) ? <FactRow fact={place.fact} inHand={inHand} onHold={hold} /> : null
    case 'label':
      return <LabelRow label={place.label} name={name} inHand={inHand} onHold={hold} />
    case 'page':
      return place.part === 'address' ? (
        <AddressRow page={place.page} name={name} inHand={inHand} onHold={hold} />
      ) : (
        <PageRow page={place.page} part={place.part} name={name} inHand={inHand} onHold={hold} />
      )
    case 'brand':
      return place.part === 'logo' ? (
        <LogoRow name={name} inHand={inHand} onHold={hold} />
      ) : (
        <ColourRow name={name} inHand={inHand} onHold={hold} />
      )
    default:
      return place satisfies never
  }
})

type SlotProps = Omit<Props, 'listed' | 'onHold' | 'isNamed'> & {
  readonly place: SlotPlace
  readonly id: string
  readonly name: string | null
}

/** What stands there is read anew with each key press; what is listed may be a moment old. */
function SlotAt({ place, ...props }: SlotProps) {
  const row = useJob((s) => findRow(s.pack, s.document, place))
  const kind = useJob((s) => findSection(s.document, place.section)?.kind)
  const assets = useJob((s) => s.assets)
  return row && kind ? <SlotRow {...props} row={row} title={capital(kind)} assets={assets} /> : null
}
