'use client'
import { useCallback, useEffect } from 'react'
import { noticesReplySchema, type NoticeView } from '@/core/replies'
import { CheckLine } from '../parts/check-line'
import { Fault } from '../parts/fault'
import { Fold } from '../parts/fold'
import { count, dayAndTime } from '../parts/words'
import { getJson, sendJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { useQuery } from '../request/use-query'

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
  const asked = useCallback(() => getJson(`/api/jobs/${job}/notices?to=${destination}`, noticesReplySchema), [job, destination])
  // What was known stays where the server does not answer: the bar says that it does not.
  const { data, refetch, setData } = useQuery(asked, { round: after })
  const { fault, run } = useMutation({ otherwise: 'That could not be changed. Try again.' })
  const view = data?.notices ?? null
  const isOpen = view?.last ? view.last.toldAt === null && !view.last.isOver : false
  useEffect(() => {
    if (!isOpen) return
    const again = setInterval(() => void refetch(), AGAIN_MS)
    return () => clearInterval(again)
  }, [isOpen, refetch])
  if (!view) return null
  const choose = async (tells: boolean): Promise<void> => {
    setData({ notices: { ...view, tells } })
    if (!(await run(() => sendJson(`/api/jobs/${job}/notices`, { tells }, 'PUT')))) setData({ notices: view })
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
      <Fault words={fault} />
    </Fold>
  )
}

function saidOf({ tells, last }: NoticeView): string {
  if (!last) return tells ? 'They are told once something changes.' : 'They find out by themselves.'
  const pages = count(last.pages, 'page')
  if (last.toldAt !== null) return `✓ Told of ${pages}, ${dayAndTime(last.toldAt)}.`
  if (last.said === null) return `Telling them of ${pages}…`
  return `Not told of ${pages} yet: ${last.said}. ${last.isOver ? 'They are told with the next release.' : 'It is tried again by itself.'}`
}
