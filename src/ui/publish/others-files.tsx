'use client'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { count } from '../parts/words'
import { sendJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import type { DestinationLine } from './destination-line'

type Props = {
  readonly job: string
  readonly destination: DestinationLine
  readonly foreign: readonly string[]
  readonly inTheWay: readonly string[]
  readonly onAdopted: () => void
}

/** Files at the destination that are not this site's: those that are left alone, and those that stand where its own go. */
export function OthersFiles({ job, destination, foreign, inTheWay, onAdopted }: Props) {
  const { busy, fault, handle } = useMutation({ otherwise: 'They could not be taken over. Try again.' })
  const adopt = handle(async () => {
    await sendJson(`/api/jobs/${job}/destinations/${destination.id}/files`, { paths: inTheWay }, 'PUT')
    onAdopted()
  })
  return (
    <>
      {inTheWay.length > 0 && (
        <div role="alert" className="mt-3 border border-dashed border-thread bg-cloth p-3 text-sm">
          <p className="font-medium text-thread">
            {count(inTheWay.length, 'file')} that {inTheWay.length === 1 ? 'is' : 'are'} not this site’s{' '}
            {inTheWay.length === 1 ? 'stands' : 'stand'} where its own go. Nothing is sent before you say what is to become of{' '}
            {inTheWay.length === 1 ? 'it' : 'them'}.
          </p>
          <Names names={inTheWay} label="In the way" />
          <Button className="mt-2" disabled={busy} onClick={() => void adopt()}>
            Replace {inTheWay.length === 1 ? 'it' : 'them'} when publishing
          </Button>
          <Fault words={fault} />
        </div>
      )}
      {foreign.length > 0 && (
        <details className="mt-3 border border-seam bg-cloth px-3 py-1.5 text-sm">
          <summary className="min-h-6 cursor-pointer font-semibold">Not ours, and left alone: {count(foreign.length, 'file')}</summary>
          <Names names={foreign} label="Files that are left alone" />
        </details>
      )}
    </>
  )
}

function Names({ names, label }: { names: readonly string[]; label: string }) {
  return (
    <ul tabIndex={0} aria-label={label} className="mt-1 max-h-48 overflow-y-auto font-mono text-xs leading-relaxed">
      {names.map((name) => (
        <li key={name} className="break-all">
          {name}
        </li>
      ))}
    </ul>
  )
}
