'use client'
import { own } from '@/core/own'
import { nanoid } from 'nanoid'
import { useRouter } from 'next/navigation'
import { toast } from 'sonner'
import type { Candidate } from '@/core/choice'
import { offeredSchemes } from '@/core/pack'
import { findPage, pagesOf } from '@/core/site'
import { addPage } from '@/core/wear'
import { useJob, useJobStore } from '../job/job-context'
import { Button, buttonClass } from '../parts/button'
import { capital, count, kilobytes } from '../parts/words'
import { ViewHead } from './view-head'
import { useTemplateView, useTryOn } from './template-view'
import { SchemeSwatch } from '../fields/scheme-swatch'
import { TryOn } from '../sheets/try-on'
import { notice } from '../parts/notice'

type Props = { readonly candidate: Candidate; readonly isMarked: boolean; readonly onMark: () => void }

const FACT_WORDS: Record<string, string> = {
  name: 'name',
  tagline: 'line under the name',
  phone: 'telephone',
  email: 'email',
  address: 'address',
  hours: 'opening hours',
}

/** One template in full: every page it brings, its sections, and what it asks the client for. */
export function Particulars({ candidate: { template, profile, suits }, isMarked, onMark }: Props) {
  const store = useJobStore()
  const router = useRouter()
  const pack = useJob((s) => s.pack)
  const worn = useJob((s) => s.document.dress.template)
  const brand = useJob((s) => s.document.brand)
  const { go } = useTemplateView()
  const add = (key: string, name: string): void => {
    const { edit, page } = addPage(pack, store.getState().document, { template: template.id, page: key }, unique)
    if (store.apply(edit) === null) return void toast.error(`“${name}” could not be added.`)
    notice(`“${name}” is now a page of this job, in the job’s own style.`, 'Go to it', () =>
      router.push(`/jobs/${store.getState().id}/content?page=${page}`),
    )
  }
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <ViewHead title={template.name}>
        <Button onClick={onMark} aria-pressed={isMarked}>
          {isMarked ? '★ Favourite' : '☆ Favourite'}
        </Button>
        <Button onClick={() => go('walk', template.id)}>Walk through</Button>
        <a className={buttonClass('plain')} href={`/api/packs/${template.id}`} download>
          Download pack
        </a>
        <Button look="main" onClick={() => go('put-on', template.id)}>
          {worn === template.id ? 'Pages and scheme' : 'Put it on'}
        </Button>
      </ViewHead>
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_19rem] overflow-y-auto">
        <section aria-label="Pages" className="p-4">
          <h2 className="text-lg font-bold tracking-tight">{count(template.pages.length, 'page')}</h2>
          <ul className="mt-3 grid grid-cols-[repeat(auto-fill,minmax(13.5rem,1fr))] gap-4">
            {template.pages.map((page, i) => (
              <li key={page.key} className="flex flex-col">
                <PageTryOn template={template.id} pageKey={page.key} name={page.name} />
                <h3 className="mt-1.5 font-semibold">
                  {page.name}
                  {page.menu && (
                    <span className="font-normal text-soft"> — {page.menu === 'foot' ? 'listed at the foot' : 'in no menu'}</span>
                  )}
                </h3>
                <p className="text-sm text-soft">{page.sections.map((s) => s.kind).join(', ')}</p>
                {i === 0 ? (
                  <p className="mt-1.5 text-sm text-soft">A job has one home page: put the template on to wear this one.</p>
                ) : (
                  <Button
                    className="mt-1.5 self-start"
                    onClick={() => add(page.key, page.name)}
                    aria-label={`Add “${page.name}” to this job`}
                  >
                    Add to this job
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
        <aside className="border-s border-seam bg-cloth p-4">
          <p>{template.description}</p>
          {suits.reasons.length > 0 && (
            <>
              <h2 className="mt-4 font-bold">Why it suits</h2>
              <ul className="list-['–__'] ps-4">
                {suits.reasons.map((r) => (
                  <li key={r}>{capital(r)}</li>
                ))}
              </ul>
            </>
          )}
          <h2 className="mt-4 font-bold">What it asks the client for</h2>
          <ul className="list-['–__'] ps-4">
            <li>{profile.facts.map((f) => own(FACT_WORDS, f) ?? f).join(', ')}</li>
            <li>{count(profile.texts, 'piece')} of text</li>
            <li>{count(profile.pictures, 'picture')}</li>
          </ul>
          <h2 className="mt-4 font-bold">Schemes</h2>
          <ul className="mt-1 grid gap-1.5">
            {offeredSchemes(template)
              .filter((s) => !s.general)
              .map((s) => (
                <li key={s.id} className="flex items-center gap-2">
                  <SchemeSwatch spec={s.spec} brand={brand} dark={false} />
                  {s.name}
                </li>
              ))}
          </ul>
          <h2 className="mt-4 font-bold">Terms</h2>
          <p>
            {template.licence}. Price: {template.price}. Home page about {kilobytes(profile.homeBytes)} on a phone, fonts not counted.
          </p>
          <p className="mt-1 text-soft">For {template.trades.join(', ') || 'any trade'}.</p>
        </aside>
      </div>
    </main>
  )
}

/** A page as the template brings it, in the client's name and colours; a page of the job that it would dress shows the client's words. */
function PageTryOn({ template, pageKey, name }: { template: string; pageKey: string; name: string }) {
  const site = useTryOn(template)
  const { pack } = site
  const origin = { template, page: pageKey }
  const own = pagesOf(site.document).find((p) => p.origin?.template === template && p.origin.page === pageKey)
  const added = own ? null : addPage(pack, site.document, origin, () => 'tried')
  const shown = added ? { ...site, document: added.document } : site
  const page = own ?? findPage(shown.document, added?.page ?? '')
  return page ? <TryOn site={shown} page={page} layout={1280} width={216} height={250} label={`${name}, tried on`} /> : null
}

/** What sets the names of two pages apart that are added at the same moment. */
function unique(): string {
  return nanoid(6).replaceAll(/[-_]/g, 'x')
}
