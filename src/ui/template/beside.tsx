'use client'
import { useState } from 'react'
import type { Candidate } from '@/core/choice'
import { homePage } from '@/core/site'
import { useJob } from '../job/job-context'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'
import { capital, kilobytes } from '../parts/words'
import { RoomHead } from './room-head'
import { useRoom, useTryOn } from './room'
import { TryOn } from './try-on'

/** Two or three templates next to each other, on the same page of the client's, with what sets them apart. */
export function Beside({ chosen }: { chosen: readonly Candidate[] }) {
  const document = useJob((s) => s.document)
  const [layout, setLayout] = useState<1280 | 390>(1280)
  const [page, setPage] = useState<string>(homePage(document).id)
  const width = chosen.length === 2 ? 600 : 396
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <RoomHead title={chosen.map((c) => c.template.name).join(' beside ')}>
        <label className="flex items-center gap-1.5 text-sm">Page
          <select aria-label="Page" className={`${inputClass} w-auto!`} value={page} onChange={(event) => setPage(event.target.value)}>
            {document.pages.map((p) => <option key={p.id} value={p.id}>/{p.segment}</option>)}
          </select>
        </label>
        <Button aria-pressed={layout === 390} onClick={() => setLayout(layout === 390 ? 1280 : 390)}>{layout === 390 ? 'On desktop' : 'On the phone'}</Button>
      </RoomHead>
      <div className="min-h-0 flex-1 overflow-y-auto p-4">
        <div className="flex justify-center gap-4">
          {chosen.map((candidate) => <Column key={candidate.template.id} candidate={candidate} page={page} layout={layout} width={width} />)}
        </div>
      </div>
    </main>
  )
}

function Column({ candidate: { template, profile, suits }, page, layout, width }: { candidate: Candidate; page: string; layout: number; width: number }) {
  const pack = useJob((s) => s.pack)
  const assets = useJob((s) => s.assets)
  const document = useJob((s) => s.document)
  const site = useTryOn(pack, assets, document, template.id)
  const { go } = useRoom()
  const shown = site.document.pages.find((p) => p.id === page) ?? homePage(site.document)
  const rows: readonly (readonly [string, string])[] = [
    ['Why', suits.reasons.length > 0 ? capital(suits.reasons.join('; ')) : 'Nothing in the brief speaks for it yet'],
    ['Pages', template.pages.map((p) => p.name).join(', ')],
    ['Asks for', `${profile.texts} texts, ${profile.pictures} pictures`],
    ['Home page', `about ${kilobytes(profile.homeBytes)}`],
    ['Terms', `${template.licence}; ${template.price}`],
  ]
  return (
    <section aria-label={template.name} style={{ width }}>
      <div className="mb-2 flex items-center justify-between"><h2 className="text-lg font-bold tracking-tight">{template.name}</h2><Button look="main" onClick={() => go('put-on', template.id)}>Put it on</Button></div>
      <div className="flex justify-center"><TryOn site={site} page={shown} layout={layout} width={layout === 390 ? 300 : width} height={480} label={`${template.name}, tried on`} /></div>
      <dl className="mt-3 grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-3 gap-y-1 text-sm">
        {rows.map(([term, words]) => <div key={term} className="contents"><dt className="text-soft">{term}</dt><dd>{words}</dd></div>)}
      </dl>
    </section>
  )
}
