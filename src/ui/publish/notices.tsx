'use client'
import { useCallback, useEffect, useState } from 'react'
import { ApiError, callApi, postJson } from '../job/api'
import { CheckLine } from '../parts/check-line'
import { Fold } from '../parts/fold'
import { count, dayAndTime } from '../parts/words'

type View = {
  readonly tells: boolean
  readonly last: { readonly pages: number; readonly toldAt: string | null; readonly said: string | null; readonly isOver: boolean } | null
}
const AGAIN_MS = 3000

/** Whether search engines are told of pages that changed, and what became of the last notice; nothing where nobody is told here. */
export function Notices({
  job,
  destination,
  after,
}: {
  readonly job: string
  readonly destination: string
  readonly after: string | null
}) {
  const [view, setView] = useState<View | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const load = useCallback(async (): Promise<void> => {
    const { notices } = await callApi<{ notices: View | null }>(`/api/jobs/${job}/notices?to=${destination}`)
    setView(notices)
  }, [job, destination])
  // What was known stays where the server does not answer: the bar says that it does not.
  useEffect(() => void load().catch(() => undefined), [load, after])
  const isOpen = view?.last ? view.last.toldAt === null && !view.last.isOver : false
  useEffect(() => {
    if (!isOpen) return
    const again = setInterval(() => void load().catch(() => undefined), AGAIN_MS)
    return () => clearInterval(again)
  }, [isOpen, load])
  if (!view) return null
  const choose = async (tells: boolean): Promise<void> => {
    setView({ ...view, tells })
    setFault(null)
    try {
      await postJson(`/api/jobs/${job}/notices`, { tells }, 'PUT')
    } catch (error) {
      setView(view)
      setFault(error instanceof ApiError ? error.message : 'That could not be changed. Try again.')
    }
  }
  return (
    <Fold title="Search engines" said={view.last && view.last.toldAt === null ? 'not told yet' : ''}>
      <p className="text-sm" role="status">
        {saidOf(view)}
      </p>
      <div className="mt-2">
        <CheckLine
          checked={view.tells}
          onCheck={(tells) => void choose(tells)}
          hint="A small file on the site shows that the notice is its own. From the next release on."
        >
          Tell them which pages changed
        </CheckLine>
      </div>
      {fault && (
        <p role="alert" className="mt-1 text-sm font-medium text-thread">
          {fault}
        </p>
      )}
    </Fold>
  )
}

function saidOf({ tells, last }: View): string {
  if (!last) return tells ? 'They are told once something changes.' : 'They find out by themselves.'
  const pages = count(last.pages, 'page')
  if (last.toldAt !== null) return `✓ Told of ${pages}, ${dayAndTime(last.toldAt)}.`
  if (last.said === null) return `Telling them of ${pages}…`
  return `Not told of ${pages} yet: ${last.said}. ${last.isOver ? 'They are told with the next release.' : 'It is tried again by itself.'}`
}
