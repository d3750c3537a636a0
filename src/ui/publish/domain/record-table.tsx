'use client'
import { nameUnder, zoneValue, type Judged, type RecordState } from '@/core/domain'
import { CopyButton } from '../../parts/copy-button'
import { clock } from '../../parts/words'
import { SIGNS, STATES } from './told'

const LOOKS: Readonly<Record<RecordState, string>> = {
  right: 'text-done',
  cached: 'text-done',
  missing: 'text-thread',
  wrong: 'text-thread',
  unknown: 'text-soft',
}

/** The records to set, as a registrar's form wants them, each with why it is there and how it stands. */
export function RecordTable({ records, registrable }: { records: readonly Judged[]; registrable: string }) {
  return (
    <table className="w-full border border-seam bg-cloth text-sm">
      <caption className="sr-only">Records of {registrable}</caption>
      <thead>
        <tr className="border-b border-seam text-start text-xs text-soft">
          <th scope="col" className="w-32 px-3 py-1.5 text-start font-semibold">
            Name
          </th>
          <th scope="col" className="w-20 px-2 py-1.5 text-start font-semibold">
            Type
          </th>
          <th scope="col" className="px-2 py-1.5 text-start font-semibold">
            Value
          </th>
          <th scope="col" className="w-56 px-3 py-1.5 text-start font-semibold">
            Stands
          </th>
        </tr>
      </thead>
      <tbody>
        {records.map((one) => (
          <Row key={`${one.type} ${one.name}`} record={one} registrable={registrable} />
        ))}
      </tbody>
    </table>
  )
}

function Row({ record: { name, type, values, why, instead, state, said, untilMs }, registrable }: { record: Judged; registrable: string }) {
  const isOpen = state !== 'right'
  return (
    <tr className={`border-b border-seam align-top last:border-b-0 ${state === 'missing' || state === 'wrong' ? 'stitch-start' : ''}`}>
      <td className="break-words px-3 py-2 font-mono text-xs leading-7" title={name}>
        {nameUnder(name, registrable)}
      </td>
      <td className="px-2 py-2 font-mono text-xs leading-7">{type}</td>
      <td className="min-w-0 px-2 py-2">
        {values.length === 0 ? (
          <span className="text-soft">none</span>
        ) : (
          values.map((value) => (
            <span key={value} className="flex items-start gap-1">
              <span className="min-w-0 break-all font-mono text-xs leading-7">{type === 'TXT' ? value : zoneValue(type, value)}</span>
              <CopyButton text={type === 'TXT' ? value : zoneValue(type, value)} label={`Copy the value of ${type} ${name}`} />
            </span>
          ))
        )}
        {isOpen && <span className="block text-soft">{why}</span>}
        {isOpen && instead && <span className="block text-soft">Or instead: {instead}.</span>}
      </td>
      <td className="px-3 py-2">
        <span className={`font-semibold leading-7 ${LOOKS[state]}`}>
          <span aria-hidden>{SIGNS[state]} </span>
          {STATES[state]}
        </span>
        {said !== 'Set right.' && <span className="block break-words">{said}</span>}
        {untilMs !== null && <span className="block text-soft">Until {clock(untilMs)} at the latest.</span>}
      </td>
    </tr>
  )
}
