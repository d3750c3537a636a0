'use client'
import { useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react'
import { addSection, bestChoices, choicesOf, designsIn, PAGE_KINDS, type SectionChoice, type Spot } from '@/core/plan'
import { applyEdit, findPage, type PageId, type SectionId, type SectionKind } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useSite } from '../job/use-site'
import { Button } from '../parts/button'
import { capital } from '../parts/words'
import { KeptShelf } from './kept-sections'
import { columnPx, SectionTryOn } from './section-try-on'
import { attempt, unique } from './use-acts'

type Props = {
  readonly page: PageId
  readonly spot: Spot
  readonly onAdded: (section: SectionId) => void
  readonly onClose: () => void
}
type Shown = 'best' | 'kept' | 'all' | SectionKind

/** What each kind of section says, for choosing among them. */
const SAYS: Readonly<Record<string, string>> = {
  title: 'what the page is about',
  hero: 'who you are and what to do, at first sight',
  services: 'what is done, with a word on each',
  prices: 'what it costs',
  story: 'how it came about',
  gallery: 'pictures of the work',
  testimonials: 'what customers say',
  steps: 'how it goes, one after another',
  figures: 'numbers that speak',
  team: 'who is there',
  questions: 'questions and answers',
  visit: 'where and when',
  action: 'what to do next',
  contact: 'how to get in touch',
  logos: 'memberships and marks',
  quote: 'one voice, large',
  notice: 'something for a while',
  'before-after': 'how it was and how it is',
  months: 'through the year',
  areas: 'where the work is done',
  legal: 'what must be said',
}

/** The kinds of section by what they say, and every design of one as it would stand here, in this client's brand and words. */
export function SectionAdder({ page, spot, onAdded, onClose }: Props) {
  const store = useJobStore()
  const site = useSite()
  const { pack, document } = site
  const [shown, setShown] = useState<Shown>('best')
  const best = useJob((s) => s.document.sections)
  const offered = useMemo(
    () => bestChoices(pack, store.getState().document, page, spot.in),
    // The page's sections decide what it lacks.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [pack, best, page, spot],
  )
  const kinds = useMemo(() => PAGE_KINDS.filter((kind) => designsIn(pack, kind, spot.in).length > 0), [pack, spot])
  const choices: readonly { readonly choice: SectionChoice; readonly reason: string }[] = useMemo(
    () =>
      shown === 'best'
        ? offered
        : shown === 'kept'
          ? []
          : (shown === 'all' ? kinds : [shown])
              .flatMap((kind) => choicesOf(pack, store.getState().document, kind, spot.in))
              .map((choice) => ({ choice, reason: '' })),
    [shown, offered, pack, store, spot, kinds],
  )
  const list = useRef<HTMLUListElement>(null)
  const kindList = useRef<HTMLDivElement>(null)
  useEffect(() => list.current?.querySelector<HTMLElement>('button')?.focus(), [])
  useEffect(() => {
    list.current?.scrollTo({ top: 0 })
  }, [shown])
  const add = (choice: SectionChoice): void => {
    const { step, section } = addSection(store.getState().document, choice, spot, unique)
    if (attempt(store, step, 'The section was not added') !== null) onAdded(section)
  }
  const press = (event: KeyboardEvent): void => {
    if (event.key === 'Escape') return onClose()
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (!step || !kindList.current?.contains(event.target as Node)) return
    const all = [...kindList.current.querySelectorAll<HTMLElement>('button')]
    all[all.indexOf(event.target as HTMLElement) + step]?.focus()
    event.preventDefault()
  }
  const name = (kind: SectionKind): string => capital(kind.replace('-', ' and '))
  const titleOf = (of: Shown): string =>
    ({ best: 'Three to add first', kept: 'Kept from any job', all: 'Every design' })[of as 'best'] ??
    `${name(of as SectionKind)}: ${SAYS[of] ?? ''}`
  return (
    <section aria-label="Add a section" className="grid min-h-0 flex-1 grid-cols-[15rem_minmax(0,1fr)] gap-4 pb-3" onKeyDown={press}>
      <div ref={kindList} className="overflow-y-auto border border-seam bg-cloth" role="group" aria-label="Kinds">
        <KindButton isOpen={shown === 'best'} name="Best here" says="what the page lacks" onOpen={() => setShown('best')} />
        <KindButton isOpen={shown === 'all'} name="Every design" says="of all that can be said" onOpen={() => setShown('all')} />
        <KindButton isOpen={shown === 'kept'} name="Kept" says="taken from any job" onOpen={() => setShown('kept')} />
        {kinds.map((kind) => (
          <KindButton key={kind} isOpen={shown === kind} name={name(kind)} says={SAYS[kind] ?? ''} onOpen={() => setShown(kind)} />
        ))}
      </div>
      <div className="flex min-h-0 flex-col">
        <div className="flex items-center gap-2 pb-1">
          <h2 className="font-bold">{titleOf(shown)}</h2>
          {(spot.in.type === 'header' || spot.in.type === 'footer') && <p>to stand on every page</p>}
          <Button look="quiet" className="ms-auto" onClick={onClose}>
            Close
          </Button>
        </div>
        {shown === 'kept' && <KeptShelf page={page} spot={spot} onAdded={onAdded} />}
        {shown !== 'kept' && (
          // By number, so that the frames that are there show the next choice: making a frame costs more than drawing in it.
          <ul ref={list} className="grid min-h-0 flex-1 grid-cols-[repeat(auto-fill,296px)] content-start gap-3 overflow-y-auto">
            {choices.map(({ choice, reason }, i) => (
              <li key={i}>
                <button
                  type="button"
                  className="block w-full border border-seam bg-cloth p-1 text-start hover:border-ink hover:bg-tape focus-visible:bg-tape"
                  onClick={() => add(choice)}
                  aria-label={`Add ${name(choice.kind)}, design ${choice.design}${reason ? `: ${reason}` : ''}`}
                >
                  <ChoiceTryOn choice={choice} page={page} spot={spot} document={document} />
                  <span className="flex items-baseline gap-2 px-1 pt-1 text-sm">
                    <b>{shown === 'best' || shown === 'all' ? name(choice.kind) : choice.design}</b>
                    {shown === 'all' && <span className="text-soft">{choice.design}</span>}
                    {reason && <span className="text-soft">{reason}</span>}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        )}
      </div>
    </section>
  )
}

type KindProps = { readonly isOpen: boolean; readonly name: string; readonly says: string; readonly onOpen: () => void }

function KindButton({ isOpen, name, says, onOpen }: KindProps) {
  return (
    <button
      type="button"
      aria-pressed={isOpen}
      onClick={onOpen}
      className={`block w-full border-b border-grid px-2 py-1 text-start text-sm ${isOpen ? 'bg-tape' : 'hover:bg-table'}`}
    >
      <b>{name}</b> <span className={isOpen ? '' : 'text-soft'}>{says}</span>
    </button>
  )
}

type TryProps = Pick<Props, 'page' | 'spot'> & { readonly choice: SectionChoice; readonly document: ReturnType<typeof useSite>['document'] }

/** The section alone, as it would stand at its spot. */
function ChoiceTryOn({ choice, page: id, spot, document }: TryProps) {
  const site = useSite()
  const tried = useMemo(() => {
    const { step, section } = addSection(document, choice, spot, () => 'tried')
    const applied = applyEdit(document, step)
    return applied.ok ? { document: applied.document, section } : null
  }, [document, choice, spot])
  const page = tried && findPage(tried.document, id)
  if (!tried || !page) return null
  return (
    <SectionTryOn
      site={{ ...site, document: tried.document }}
      page={page}
      section={tried.section}
      name={choice.design}
      beside={columnPx(site.document, spot)}
    />
  )
}
