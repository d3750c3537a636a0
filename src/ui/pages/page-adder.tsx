'use client'
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react'
import { lackingPages, nameProblem, type NewPage } from '@/core/plan'
import { getTemplate, type Template, type TemplatePage } from '@/core/pack'
import { factsOf, findPage, pagesOf, type PageId, type PageOrigin } from '@/core/site'
import { addPage } from '@/core/wear'
import { useJob } from '../job/job-context'
import { useSite } from '../job/use-site'
import { Button } from '../parts/button'
import { TryOn } from '../sheets/try-on'
import { JobPagesShelf, useOtherJobs } from './job-pages'
import type { PageActs } from './use-acts'

type Props = { readonly acts: PageActs; readonly onAdded: (page: PageId) => void; readonly onClose: () => void }
type Offer = { readonly origin: PageOrigin; readonly name: string; readonly why: string }

/** Every page design as it would be on this site, those that the trade has and the site lacks first; a blank one; those of other jobs. */
export function PageAdder({ acts, onAdded, onClose }: Props) {
  const pack = useJob((s) => s.pack)
  const document = useJob((s) => s.document)
  const [name, setName] = useState('')
  const [from, setFrom] = useState('')
  const others = useOtherJobs()
  const input = useRef<HTMLInputElement>(null)
  useEffect(() => input.current?.focus(), [])
  const trade = factsOf(document).trade ?? null
  const { lacking, groups } = useMemo(() => {
    const lacks = lackingPages(pack, document, trade).map((l): Offer => ({
      origin: l.origin,
      name: l.name,
      why: l.of > 1 ? `${l.has} of ${l.of} templates for the trade have one` : 'the template has one',
    }))
    const taken = new Set(lacks.map((l) => `${l.origin.template}/${l.origin.page}`))
    const worn = getTemplate(pack, document.dress.template)
    const templates = [worn, ...Object.values(pack.templates).filter((t) => t !== worn)]
    const all = templates.map((template) => ({ template, pages: pagesFor(template).filter((p) => !taken.has(`${template.id}/${p.key}`)) }))
    return { lacking: lacks, groups: all.filter(({ pages }) => pages.length > 0) }
    // Only pages and what is worn decide what is offered.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [pack, document.pages, document.dress, trade])
  const problem = name.trim() === '' ? null : nameProblem(pack, document, name)
  const add = (origin: PageOrigin | null): void => {
    const of: NewPage = { origin, ...(name.trim() === '' ? (origin ? {} : { name: 'New page' }) : { name }) }
    const added = acts.add(of)
    if (added !== null) onAdded(added)
  }
  const press = (event: KeyboardEvent): void => {
    if (event.key === 'Escape') onClose()
  }
  const isRefused = problem?.code === 'nameTaken'
  return (
    <section aria-label="Add a page" className="flex min-h-0 flex-1 flex-col" onKeyDown={press}>
      <div className="flex shrink-0 flex-wrap items-center gap-2 pb-2">
        <label className="flex items-center gap-2 text-sm font-semibold">
          Name
          <input
            ref={input}
            className="w-56 rounded-sm border border-seam bg-white px-2 py-1 font-normal"
            value={name}
            maxLength={120}
            dir="auto"
            data-own-undo
            placeholder="as the design calls it"
            aria-describedby="new-page-name"
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button disabled={isRefused} onClick={() => add(null)}>
          Add it blank
        </Button>
        {others && others.length > 0 && (
          <label className="ms-2 flex items-center gap-2 text-sm">
            or like one of
            <select
              className="max-w-56 rounded-sm border border-seam bg-white px-1.5 py-1"
              aria-label="Pages to choose from"
              value={from}
              onChange={(event) => setFrom(event.target.value)}
            >
              <option value="">the templates</option>
              {others.map((job) => (
                <option key={job.id} value={job.id}>
                  {job.name}
                </option>
              ))}
            </select>
          </label>
        )}
        <span id="new-page-name" role="status" className="flex items-center gap-2 text-sm text-thread">
          {isRefused && (
            <>
              There is a page called “{name.trim()}” already.
              <Button look="quiet" onClick={() => setName(problem.suggestion)}>
                Call it “{problem.suggestion}”
              </Button>
            </>
          )}
        </span>
        <Button look="quiet" className="ms-auto" onClick={onClose}>
          Close
        </Button>
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto pb-3">
        {from !== '' && <JobPagesShelf from={from} name={name} disabled={isRefused} onAdded={onAdded} />}
        {from === '' && lacking.length > 0 && (
          <Shelf title="This trade’s sites have, and this one lacks">
            {lacking.map((offer) => (
              <OfferCard key={offer.name} offer={offer} disabled={isRefused} onAdd={add} />
            ))}
          </Shelf>
        )}
        {(from === '' ? groups : []).map(({ template, pages }) => (
          <Shelf key={template.id} title={template.id === document.dress.template ? `${template.name}, in use` : template.name}>
            {pages.map((page) => (
              <OfferCard
                key={page.key}
                offer={{
                  origin: { template: template.id, page: page.key },
                  name: page.name,
                  why: page.sections.map((s) => s.kind).join(', '),
                }}
                disabled={isRefused}
                onAdd={add}
              />
            ))}
          </Shelf>
        ))}
      </div>
    </section>
  )
}

/** A site has one home page, so a template's is not offered. */
function pagesFor(template: Template): readonly TemplatePage[] {
  return template.pages.slice(1)
}

function Shelf({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <>
      <h2 className="sticky top-0 z-10 bg-table py-1 text-sm font-bold">{title}</h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-3 pb-3">{children}</ul>
    </>
  )
}

type CardProps = { readonly offer: Offer; readonly disabled: boolean; readonly onAdd: (origin: PageOrigin) => void }

function OfferCard({ offer: { origin, name, why }, disabled, onAdd }: CardProps) {
  return (
    <li className="grid content-start gap-1">
      <PageTryOn origin={origin} name={name} />
      <Button disabled={disabled} className="justify-self-start" onClick={() => onAdd(origin)} aria-label={`Add “${name}”`}>
        {name}
      </Button>
      <span className="text-xs text-soft">{why}</span>
    </li>
  )
}

function PageTryOn({ origin, name }: { origin: PageOrigin; name: string }) {
  const site = useSite()
  const { template, page: key } = origin
  const tried = useMemo(() => {
    const added = addPage(site.pack, site.document, { template, page: key }, () => 'tried')
    return { site: { ...site, document: added.document }, page: findPage(added.document, added.page) ?? pagesOf(added.document)[0]! }
  }, [site, template, key])
  return <TryOn site={tried.site} page={tried.page} layout={1280} width={190} height={170} label={`${name}, tried on`} />
}
