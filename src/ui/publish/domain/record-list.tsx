'use client'
import type { RecordLine, RecordState } from '@/core/domain'
import { CopyButton } from '../../parts/copy-button'
import { clock } from '../../parts/words'
import { SIGNS, STATES } from './states'

const LOOKS: Readonly<Record<RecordState, string>> = {
  right: 'text-done',
  cached: 'text-done',
  missing: 'text-thread',
  wrong: 'text-thread',
  unknown: 'text-soft',
}

/** The records to set, as a registrar's form wants them, each with why it is there and how it stands. */
export function RecordList({ records, registrable }: { records: readonly RecordLine[]; registrable: string }) {
  return (
    <ul aria-label={`Records of ${registrable}`} className="border border-seam bg-cloth text-sm">
      {records.map((one) => (
        <Row key={`${one.type} ${one.name}`} record={one} />
      ))}
    </ul>
  )
}

function Row({ record: { name, type, under, typed, why, instead, state, said, untilMs } }: { record: RecordLine }) {
  const isOpen = state !== 'right'
  return (
    <li
      aria-label={`${type} ${under}`}
      className={`border-b border-seam px-3 py-2 last:border-b-0 ${state === 'missing' || state === 'wrong' ? 'stitch-start' : ''}`}
    >
      <div className="flex items-baseline gap-3 font-mono text-xs">
        <span className="font-medium">{type}</span>
        <span className="min-w-0 flex-1 break-words" title={name}>
          {under}
        </span>
        <span className={`font-sans text-sm font-semibold ${LOOKS[state]}`}>
          <span aria-hidden>{SIGNS[state]} </span>
          {STATES[state]}
        </span>
      </div>
      {typed.length === 0 ? (
        <p className="text-soft">none</p>
      ) : (
        typed.map((value) => (
          <p key={value} className="flex items-start gap-1">
            <span className="min-w-0 break-all font-mono text-xs leading-7">{value}</span>
            <CopyButton text={value} label={`Copy the value of ${type} ${name}`} />
          </p>
        ))
      )}
      {said !== 'Set right.' && <p className="break-words">{said}</p>}
      {untilMs !== null && <p className="text-soft">Until {clock(untilMs)} at the latest.</p>}
      {isOpen && <p className="text-soft">{why}</p>}
      {isOpen && instead && <p className="text-soft">Or instead: {instead}.</p>}
    </li>
  )
}
