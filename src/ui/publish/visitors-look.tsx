'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import { type Looked, lookedSchema, type LookProgress, lookProgressSchema } from '@/core/replies'
import { callWithProgress } from '../request/api'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { count } from '../parts/words'
import { useMutation } from '../request/use-mutation'

const LOOK = { progress: lookProgressSchema, result: lookedSchema }
/** How many faults are told; more of them have mostly one cause. */
const MOST = 12

/** What visitors get of what was published, file by file: looked at when something has gone live (`after`), and when asked for. */
export function VisitorsLook({ job, destination, after }: { job: string; destination: string; after: string | null }) {
  const [progress, setProgress] = useState<LookProgress | null>(null)
  const [looked, setLooked] = useState<Looked | null>(null)
  const { busy, fault, run } = useMutation({ otherwise: 'It could not be looked at. Try again.' })
  const look = useRef(run)
  look.current = run
  const again = useCallback(async (): Promise<void> => {
    setLooked(null)
    setProgress(null)
    await look.current(async () => setLooked(await callWithProgress(`/api/jobs/${job}/look`, { destination }, LOOK, setProgress)))
  }, [job, destination])
  useEffect(() => {
    if (after !== null) void again()
  }, [after, again])
  return (
    <div className="mt-2 text-sm">
      <div className="flex flex-wrap items-center gap-3">
        <Button disabled={busy} onClick={() => void again()}>
          Check what visitors get
        </Button>
        <p role="status" className={looked?.faults.length === 0 ? 'font-semibold text-done' : 'text-soft'}>
          {busy && (progress === null ? 'Looking…' : `Looking at what visitors get, ${progress.done} of ${progress.total}`)}
          {looked?.faults.length === 0 &&
            `✓ Visitors get ${looked.files === 1 ? 'the file' : `all ${looked.files} files`} as they were sent.`}
        </p>
      </div>
      <Fault words={fault} />
      {looked && looked.faults.length > 0 && <Faults looked={looked} />}
    </div>
  )
}

function Faults({ looked: { files, faults } }: { looked: Looked }) {
  return (
    <div role="alert" className="mt-3 border border-dashed border-thread bg-cloth p-3">
      <p className="font-medium text-thread">
        ✕ {faults.length} of {count(files, 'file')} {faults.length === 1 ? 'does' : 'do'} not reach visitors as sent.
      </p>
      <ul className="mt-2 grid gap-1">
        {faults.slice(0, MOST).map(({ path, said }) => (
          <li key={path}>
            <span className="font-mono">{path}</span> <span className="text-soft">{said}</span>
          </li>
        ))}
        {faults.length > MOST && <li className="text-soft">and {count(faults.length - MOST, 'file')} more</li>}
      </ul>
      <p className="mt-2">
        A cache on the way may still hold what was there before: look again in some minutes. Where it stays so, send this list to whoever
        runs the server.
      </p>
    </div>
  )
}
