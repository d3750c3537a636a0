'use client'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import { pageTexts, type Site } from '@/core/fill'
import { getTemplate, offeredSchemes, type TemplatePage } from '@/core/pack'
import { findPage, homePage, pagesOf } from '@/core/site'
import { editTo, isAsItCame, pageNamed, reportChange, startOn, usualChoice } from '@/core/wear'
import { useJob, useJobStore } from '../job/job-context'
import { useSite } from '../job/use-site'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'
import { capital, count } from '../parts/words'
import { ChangeList } from './change-list'
import { ViewHead } from './view-head'
import { SchemeChooser } from '../fields/scheme-chooser'
import { TryOn } from '../sheets/try-on'
import { notice } from '../parts/notice'

/**
 * Putting a template on: which of its pages, which scheme, light or dark. On a job that has content the pages are shown
 * before and after, with a plain report of what moves, what is not shown and what comes new.
 */
export function PutOn({ template }: { template: string }) {
  const store = useJobStore()
  const router = useRouter()
  const before = useSite()
  const { pack, document } = before
  const isWorn = document.dress.template === template
  const from = getTemplate(pack, template)
  const fresh = isAsItCame(pack, document)
  const [usual] = useState(() => usualChoice(pack, document, template))
  const [pages, setPages] = useState<readonly string[]>(usual.pages)
  const [without, setWithout] = useState<readonly string[]>([])
  const [scheme, setScheme] = useState<string | null>(usual.scheme)
  const [dark, setDark] = useState(usual.dark)
  const [shown, setShown] = useState<string>(homePage(document).id)
  const after = useMemo<Site>(
    () => ({ ...before, document: startOn(pack, document, { template, pages, without, scheme, dark }) }),
    [before, pack, document, template, pages, without, scheme, dark],
  )
  const report = useMemo(() => reportChange(pack, document, after.document), [pack, document, after])
  const page = pageNamed(after.document, shown)
  const old = findPage(document, page.id)
  const put = (): void => {
    const gesture = store.apply(editTo(document, after.document))
    if (gesture === null) return void toast.error(`${from.name} could not be put on. Reload the page and try again.`)
    notice(isWorn ? 'Pages and scheme are as chosen.' : `The job wears ${from.name} now.`, 'Undo', () => void store.undo(gesture))
    router.push(`/jobs/${store.getState().id}/content`)
  }
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <ViewHead title={isWorn ? `${from.name}: pages and scheme` : fresh ? `Start on ${from.name}` : `Put ${from.name} on`}>
        {pagesOf(after.document).length > 1 && (
          <label className="flex items-center gap-1.5 text-sm">
            Look at
            <select
              aria-label="Look at"
              className={`${inputClass} w-auto!`}
              value={page.id}
              onChange={(event) => setShown(event.target.value)}
            >
              {pagesOf(after.document).map((p) => (
                <option key={p.id} value={p.id}>
                  {pageTexts(pack, after.document, p).name}
                </option>
              ))}
            </select>
          </label>
        )}
        <Button look="main" onClick={put}>
          {isWorn ? 'Keep this' : fresh ? 'Start with this' : 'Put it on'}
        </Button>
      </ViewHead>
      <div className="grid min-h-0 flex-1 grid-cols-[19.5rem_minmax(0,1fr)]">
        <div className="min-h-0 overflow-y-auto border-e border-seam bg-cloth p-4">
          {!fresh && !isWorn && <ChangeList report={report} />}
          <PageChoice template={template} pages={pages} onPages={setPages} after={after} without={without} onWithout={setWithout} />
          <SchemeChooser
            offered={offeredSchemes(from)}
            brand={document.brand}
            scheme={scheme}
            dark={dark}
            onScheme={setScheme}
            onDark={setDark}
          />
        </div>
        <div className="flex min-h-0 flex-wrap justify-center gap-4 overflow-y-auto p-4">
          {!fresh && !isWorn && old && (
            <figure className="m-0">
              <figcaption className="mb-1 font-mono text-xs">as it is: {getTemplate(pack, document.dress.template).name}</figcaption>
              <TryOn site={before} page={old} layout={1280} width={420} height={560} label="The page as it is" />
            </figure>
          )}
          <figure className="m-0">
            <figcaption className="mb-1 font-mono text-xs">
              {!fresh && !isWorn ? 'as it would be: ' : 'tried on: '}
              {from.name}
            </figcaption>
            <TryOn
              site={after}
              page={page}
              layout={1280}
              width={!fresh && !isWorn ? 420 : 640}
              height={560}
              label="The page as it would be"
            />
          </figure>
          {(fresh || isWorn) && (
            <figure className="m-0">
              <figcaption className="mb-1 font-mono text-xs">phone</figcaption>
              <TryOn site={after} page={page} layout={390} width={230} height={560} label="The page on the phone" />
            </figure>
          )}
        </div>
      </div>
    </main>
  )
}

/** The template's pages to take. A page that holds the client's words stays whatever is chosen, and says so. */
function PageChoice({
  template,
  pages,
  onPages,
  without,
  onWithout,
  after,
}: {
  template: string
  pages: readonly string[]
  onPages: (pages: readonly string[]) => void
  without: readonly string[]
  onWithout: (without: readonly string[]) => void
  after: Site
}) {
  const pack = useJob((s) => s.pack)
  const from = getTemplate(pack, template)
  const taken = new Set(pagesOf(after.document).flatMap((p) => (p.origin?.template === template ? [p.origin.page] : [])))
  return (
    <fieldset>
      <legend className="mb-1 font-bold">Pages to take</legend>
      {from.pages.map((page, i) => {
        const isTaken = taken.has(page.key)
        const stays = isTaken && i > 0 && !pages.includes(page.key)
        return (
          <div key={page.key}>
            <label className="flex items-baseline gap-2 py-0.5">
              <input
                type="checkbox"
                className="size-4 translate-y-0.5 accent-ink"
                checked={isTaken}
                disabled={i === 0 || stays}
                onChange={(event) => onPages(event.target.checked ? [...pages, page.key] : pages.filter((k) => k !== page.key))}
              />
              <span>
                {page.name}
                {i === 0 ? (
                  <span className="text-soft"> — always</span>
                ) : (
                  stays && <span className="text-soft"> — holds the client’s words</span>
                )}
              </span>
            </label>
            {isTaken && <SectionChoice template={template} page={page} without={without} onWithout={onWithout} after={after} />}
          </div>
        )
      })}
    </fieldset>
  )
}

type SectionChoiceProps = {
  readonly template: string
  readonly page: TemplatePage
  readonly without: readonly string[]
  readonly onWithout: (without: readonly string[]) => void
  readonly after: Site
}

/** The sections of a page to take with it. The first stays, and so does one that holds the client's words. */
function SectionChoice({ template, page, without, onWithout, after: { document } }: SectionChoiceProps) {
  const there = new Set(
    Object.values(document.sections).flatMap(({ origin }) =>
      origin?.template === template && origin.page === page.key ? [origin.section] : [],
    ),
  )
  const left = page.sections.filter((s) => without.includes(`${page.key}/${s.key}`)).length
  return (
    <details className="ps-6 text-sm">
      <summary className="cursor-pointer text-soft">
        {count(page.sections.length - left, 'section')}
        {left > 0 && `, ${left} left out`}
      </summary>
      {page.sections.map(({ key, kind }, i) => {
        const name = `${page.key}/${key}`
        const isWanted = !without.includes(name)
        const stays = !isWanted && there.has(key)
        return (
          <label key={key} className="flex items-baseline gap-2 py-0.5">
            <input
              type="checkbox"
              className="size-4 translate-y-0.5 accent-ink"
              checked={isWanted || stays}
              disabled={i === 0 || stays || (isWanted && !there.has(key))}
              onChange={(event) => onWithout(event.target.checked ? without.filter((one) => one !== name) : [...without, name])}
            />
            <span>
              {capital(kind.replace('-', ' and '))}
              {stays && <span className="text-soft"> — holds the client’s words</span>}
            </span>
          </label>
        )
      })}
    </details>
  )
}
