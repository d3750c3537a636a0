'use client'
import { useState } from 'react'
import type { Candidate } from '@/core/choice'
import { pageNamed } from '@/core/wear'
import { usePages } from '../job/use-pages'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'
import { capital, kilobytes } from '../parts/words'
import { ViewHead } from './view-head'
import { useTemplateView, useTryOn } from './template-view'
import { TryOn } from '../sheets/try-on'

/** Two or three templates next to each other, on the same page of the client's, with what sets them apart. */
export function Beside({ chosen }: { chosen: readonly Candidate[] }) {
  const pages = usePages()
  const [layout, setLayout] = useState<1280 | 390>(1280)
  const [page, setPage] = useState<string>(pages[0]?.id ?? '')
  const width = chosen.length === 2 ? 600 : 396
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <ViewHead title={chosen.map((c) => c.template.name).join(' beside ')}>
        <label className="flex items-center gap-1.5 text-sm">
          Page
          <select aria-label="Page" className={`${inputClass} w-auto!`} value={page} onChange={(event) => setPage(event.target.value)}>
            {pages.map((p) => (
              <option key={p.id} value={p.id}>
                {p.path}
              </option>
            ))}
          </select>
        </label>
        <Button aria-pressed={layout === 390} onClick={() => setLayout(layout === 390 ? 1280 : 390)}>
          {layout === 390 ? 'On desktop' : 'On the phone'}
        </Button>
      </ViewHead>
      <div className="min-h-0 flex-1 overflow-y-auto p-4">
        <div className="flex justify-center gap-4">
          {chosen.map((candidate) => (
            <Column key={candidate.template.id} candidate={candidate} page={page} layout={layout} width={width} />
          ))}
        </div>
      </div>
    </main>
  )
}

function Column({
  candidate: { template, profile, suits },
  page,
  layout,
  width,
}: {
  candidate: Candidate
  page: string
  layout: number
  width: number
}) {
  const site = useTryOn(template.id)
  const { go } = useTemplateView()
  const shown = pageNamed(site.document, page)
  const rows: readonly (readonly [string, string])[] = [
    ['Why', suits.reasons.length > 0 ? capital(suits.reasons.join('; ')) : 'Nothing in the brief speaks for it yet'],
    ['Pages', template.pages.map((p) => p.name).join(', ')],
    ['Asks for', `${profile.texts} texts, ${profile.pictures} pictures`],
    ['Home page', `about ${kilobytes(profile.homeBytes)}`],
    ['Terms', `${template.licence}; ${template.price}`],
  ]
  return (
    <section aria-label={template.name} style={{ width }}>
      <div className="mb-2 flex items-center justify-between">
        <h2 className="text-lg font-bold tracking-tight">{template.name}</h2>
        <Button look="main" onClick={() => go('put-on', template.id)}>
          Put it on
        </Button>
      </div>
      <div className="flex justify-center">
        <TryOn
          site={site}
          page={shown}
          layout={layout}
          width={layout === 390 ? 300 : width}
          height={480}
          label={`${template.name}, tried on`}
        />
      </div>
      <dl className="mt-3 grid grid-cols-[5.5rem_minmax(0,1fr)] gap-x-3 gap-y-1 text-sm">
        {rows.map(([term, words]) => (
          <div key={term} className="contents">
            <dt className="text-soft">{term}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}
