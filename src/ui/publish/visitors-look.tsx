'use client'
import { useCallback, useEffect, useState } from 'react'
import { ApiError, callWithProgress } from '../job/api'
import { Button } from '../parts/button'
import { count } from '../parts/words'

type Progress = { readonly done: number; readonly total: number }
type Looked = { readonly files: number; readonly faults: readonly { readonly path: string; readonly said: string }[] }
type Look = { readonly progress: Progress | null; readonly looked: Looked | null; readonly fault: string | null }

const NOT_YET: Look = { progress: null, looked: null, fault: null }
/** How many faults are told; more of them have mostly one cause. */
const MOST = 12

/** What visitors get of what was published, file by file: looked at when something has gone live (`after`), and when asked for. */
export function VisitorsLook({ job, destination, after }: { job: string; destination: string; after: string | null }) {
  const [look, setLook] = useState(NOT_YET)
  const run = useCallback(async (): Promise<void> => {
    setLook({ ...NOT_YET, progress: { done: 0, total: 0 } })
    try {
      const looked = await callWithProgress<Progress, Looked>(`/api/jobs/${job}/look`, { destination }, (progress) =>
        setLook({ ...NOT_YET, progress }),
      )
      setLook({ ...NOT_YET, looked })
    } catch (error) {
      setLook({ ...NOT_YET, fault: error instanceof ApiError ? error.message : 'It could not be looked at. Try again.' })
    }
  }, [job, destination])
  useEffect(() => {
    if (after !== null) void run()
  }, [after, run])
  const { progress, looked, fault } = look
  return (
    <div className="mt-2 text-sm">
      <div className="flex flex-wrap items-center gap-3">
        <Button disabled={progress !== null} onClick={() => void run()}>
          Check what visitors get
        </Button>
        <p role="status" className={looked?.faults.length === 0 ? 'font-semibold text-done' : 'text-soft'}>
          {progress && (progress.total === 0 ? 'Looking…' : `Looking at what visitors get, ${progress.done} of ${progress.total}`)}
          {looked?.faults.length === 0 &&
            `✓ Visitors get ${looked.files === 1 ? 'the file' : `all ${looked.files} files`} as they were sent.`}
        </p>
      </div>
      {fault && (
        <p role="alert" className="mt-2 font-medium text-thread">
          ✕ {fault}
        </p>
      )}
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
