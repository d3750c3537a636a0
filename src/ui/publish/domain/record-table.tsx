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

const HEADINGS = [
  { said: 'Name', room: 'w-40 px-3' },
  { said: 'Type', room: 'w-16 px-2' },
  { said: 'Value', room: 'px-2' },
  { said: 'Stands', room: 'w-56 px-3' },
] as const

/** The records to set, as a registrar's form wants them, each with why it is there and how it stands. */
export function RecordTable({ records, registrable }: { records: readonly RecordLine[]; registrable: string }) {
  return (
    <table className="w-full border border-seam bg-cloth text-sm">
      <caption className="sr-only">Records of {registrable}</caption>
      <thead>
        <tr className="border-b border-seam text-start text-xs text-soft">
          {HEADINGS.map(({ said, room }) => (
            <th key={said} scope="col" className={`py-1.5 text-start font-semibold ${room}`}>
              {said}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {records.map((one) => (
          <Row key={`${one.type} ${one.name}`} record={one} />
        ))}
      </tbody>
    </table>
  )
}

function Row({ record: { name, type, under, typed, why, instead, state, said, untilMs } }: { record: RecordLine }) {
  const isOpen = state !== 'right'
  return (
    <tr className={`border-b border-seam align-top last:border-b-0 ${state === 'missing' || state === 'wrong' ? 'stitch-start' : ''}`}>
      <td className="break-words px-3 py-2 font-mono text-xs leading-7" title={name}>
        {under}
      </td>
      <td className="px-2 py-2 font-mono text-xs leading-7">{type}</td>
      <td className="min-w-0 px-2 py-2">
        {typed.length === 0 ? (
          <span className="text-soft">none</span>
        ) : (
          typed.map((value) => (
            <span key={value} className="flex items-start gap-1">
              <span className="min-w-0 break-all font-mono text-xs leading-7">{value}</span>
              <CopyButton text={value} label={`Copy the value of ${type} ${name}`} />
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
