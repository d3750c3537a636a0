'use client'
import { useState } from 'react'
import { buttonClass } from '../parts/button'
import { CheckLine } from '../parts/check-line'

/** Everything of the job as one zip, for the client or for another installation. */
export function Handover({ job, isLive }: { readonly job: string; readonly isLive: boolean }) {
  const [withHistory, setWithHistory] = useState(false)
  return (
    <>
      <p className="text-sm text-soft">
        {isLive
          ? 'One zip for whoever keeps the site: a care sheet for the client, the site as visitors see it now, and the whole job.'
          : 'One zip for whoever keeps the site: a care sheet for the client and the whole job; the site itself once it is live.'}{' '}
        No password and no key is in it. Import handover, on the list of jobs, brings it back as the same job, here or in another Instant
        Fit.
      </p>
      <div className="mt-2">
        <CheckLine checked={withHistory} onCheck={setWithHistory}>
          With its whole history
        </CheckLine>
      </div>
      <p className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <a className={buttonClass()} href={`/api/jobs/${job}/handover${withHistory ? '?history=1' : ''}`} download>
          Download handover (zip)
        </a>
        <a
          className="inline-flex min-h-6 items-center text-sm underline underline-offset-2"
          href={`/api/jobs/${job}/care-sheet`}
          target="_blank"
          rel="noreferrer"
        >
          Read the care sheet
        </a>
      </p>
    </>
  )
}
