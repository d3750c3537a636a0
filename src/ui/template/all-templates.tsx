'use client'
import { Star } from 'lucide-react'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { isWithin, type Candidate, type Narrowing } from '@/core/choice'
import { factsOf, homePage } from '@/core/site'
import { editTo, startOver } from '@/core/wear'
import { KeyHints } from '../keys/key-hints'
import { isPressed } from '../keys/pressed'
import { BLANK } from '../parts/suited-template'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { capital, count, kilobytes } from '../parts/words'
import { NarrowBar } from './narrow-bar'
import { ImportPack } from './import-pack'
import { useTemplateView, useTryOn } from './template-view'
import { TryOn } from '../sheets/try-on'
import { notice } from '../parts/notice'

type Props = {
  readonly all: readonly Candidate[]
  readonly marked: readonly string[]
  readonly onMark: (id: string) => void
  /** The template that was looked at closely before: it has the focus again. */
  readonly lastSeen: string | null
}

/** Every template, one under the other on desktop and phone, best suited first, each with its reasons. */
export function AllTemplates({ all, marked, onMark, lastSeen }: Props) {
  const store = useJobStore()
  const pack = useJob((s) => s.pack)
  const worn = useJob((s) => s.document.dress.template)
  const name = useJob((s) => factsOf(s.document).name ?? 'this client')
  const [asked, setAsked] = useState<Narrowing>({})
  const [beside, setBeside] = useState<readonly string[]>([])
  const list = useRef<HTMLOListElement>(null)
  const { go } = useTemplateView()
  // The room's keys work as soon as it opens: a row has the focus.
  useEffect(() => {
    const rows = [...(list.current?.querySelectorAll<HTMLElement>(':scope > li > article') ?? [])]
    const row = rows.find((r) => r.dataset.template === lastSeen)
    if (row) row.focus()
    else rows[0]?.focus({ preventScroll: true })
    // Only as it opens.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])
  const shown = all.filter((c) => isWithin(c, asked.favourites ? { ...asked, favourites: marked } : asked))
  const toggleBeside = (id: string): void => setBeside(beside.includes(id) ? beside.filter((b) => b !== id) : [...beside, id].slice(-3))
  const press = (event: KeyboardEvent<HTMLElement>, id: string): void => {
    if (event.target !== event.currentTarget || event.ctrlKey || event.metaKey || event.altKey) return
    const rows = [...(list.current?.querySelectorAll<HTMLElement>(':scope > li > article') ?? [])]
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key]
    if (step) rows[rows.indexOf(event.currentTarget) + step]?.focus()
    else if (isPressed(event, 'templateDetails')) go('particulars', id)
    else if (isPressed(event, 'walkTemplate')) go('walk', id)
    else if (isPressed(event, 'putOn')) go('put-on', id)
    else if (isPressed(event, 'favourite')) onMark(id)
    else if (isPressed(event, 'compare')) toggleBeside(id)
    else return
    event.preventDefault()
  }
  return (
    <main className="flex min-h-0 flex-1 flex-col">
      <div className="shrink-0 border-b border-seam bg-cloth px-4 pb-2 pt-3">
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h1 className="text-xl font-bold tracking-tight">
            Templates, tried on by <span dir="auto">{name}</span>
          </h1>
          <span className="text-sm text-soft" role="status">
            {shown.length === all.length ? `${all.length}, best suited first` : `${shown.length} of ${all.length}`}
          </span>
          <span className="ms-auto flex flex-wrap gap-1">
            {beside.length > 1 && (
              <Button look="main" onClick={() => go('beside', ...beside)}>
                Compare {beside.length} templates
              </Button>
            )}
            <Button look="quiet" onClick={() => go('put-on', BLANK)}>
              Start blank
            </Button>
            <Button
              look="quiet"
              onClick={() => {
                const { document } = store.getState()
                const gesture = store.apply(editTo(document, startOver(pack, document)))
                if (gesture !== null)
                  notice('All pages are emptied. Brief, brand and pictures are kept.', 'Undo', () => void store.undo(gesture))
              }}
            >
              Empty all pages
            </Button>
            <ImportPack />
          </span>
        </div>
        <NarrowBar all={all} asked={asked} favourites={marked.length} onAsk={setAsked} />
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto px-4 py-3">
        {shown.length === 0 ? (
          <div className="py-16 text-center">
            <p className="text-lg font-semibold">No template is all of that.</p>
            <p className="mb-4 text-soft">Ask for less: every condition above must hold at once.</p>
            <Button onClick={() => setAsked({})}>Show all {all.length} again</Button>
          </div>
        ) : (
          <ol ref={list} className="grid gap-3" data-skip-to>
            {shown.map((candidate, i) => (
              <li key={candidate.template.id}>
                <Row
                  candidate={candidate}
                  place={i + 1}
                  isWorn={candidate.template.id === worn}
                  isMarked={marked.includes(candidate.template.id)}
                  isBeside={beside.includes(candidate.template.id)}
                  onMark={onMark}
                  onBeside={toggleBeside}
                  onPress={press}
                />
              </li>
            ))}
          </ol>
        )}
      </div>
      <KeyHints names={['templateDetails', 'walkTemplate', 'putOn']} />
    </main>
  )
}

type RowProps = {
  readonly candidate: Candidate
  readonly place: number
  readonly isWorn: boolean
  readonly isMarked: boolean
  readonly isBeside: boolean
  readonly onMark: (id: string) => void
  readonly onBeside: (id: string) => void
  readonly onPress: (event: KeyboardEvent<HTMLElement>, id: string) => void
}
const HEIGHT = 236

function Row({ candidate: { template, profile, suits }, place, isWorn, isMarked, isBeside, onMark, onBeside, onPress }: RowProps) {
  const site = useTryOn(template.id)
  const { go } = useTemplateView()
  const home = homePage(site.document)
  return (
    <article
      tabIndex={0}
      data-template={template.id}
      aria-label={`${place}. ${template.name}`}
      onKeyDown={(event) => onPress(event, template.id)}
      className="grid grid-cols-[auto_minmax(0,1fr)] gap-4 border border-seam bg-cloth p-3 focus-visible:border-ink"
    >
      <div className="flex gap-2" onClick={() => go('particulars', template.id)}>
        <TryOn site={site} page={home} layout={1280} width={420} height={HEIGHT} label={`${template.name}, desktop`} />
        <TryOn site={site} page={home} layout={390} width={128} height={HEIGHT} label={`${template.name}, phone`} />
      </div>
      <div className="flex min-w-0 flex-col">
        <div className="flex items-baseline gap-3">
          <h2 className="text-lg font-bold tracking-tight">
            <button type="button" className="underline-offset-2 hover:underline" onClick={() => go('particulars', template.id)}>
              {template.name}
            </button>
          </h2>
          {isWorn && <span className="bg-tape px-1.5 font-mono text-xs">in use</span>}
          <button
            type="button"
            aria-pressed={isMarked}
            aria-label={`${template.name}: favourite`}
            title="Favourite"
            className="ms-auto p-1"
            onClick={() => onMark(template.id)}
          >
            <Star size={18} aria-hidden fill={isMarked ? 'var(--color-tape)' : 'none'} />
          </button>
        </div>
        <p className="mt-1 line-clamp-2 text-soft">{template.description}</p>
        {suits.reasons.length > 0 && (
          <p className="mt-2 font-medium">
            {place === 1 ? 'First because: ' : ''}
            {capital(suits.reasons.join('; '))}.
          </p>
        )}
        <p className="mt-auto pt-2 font-mono text-xs text-soft">
          {count(profile.pages.length, 'page')} · {count(profile.kinds.size, 'kind')} of section · {count(profile.pictures, 'picture')} ·
          home about {kilobytes(profile.homeBytes)} · {template.price}
        </p>
        <div className="mt-2 flex flex-wrap items-center gap-1.5">
          <Button look="main" onClick={() => go('put-on', template.id)}>
            {isWorn ? 'Pages and scheme' : 'Put it on'}
          </Button>
          <Button onClick={() => go('walk', template.id)}>Walk through</Button>
          <Button onClick={() => go('particulars', template.id)}>Details</Button>
          <label className="ms-2 flex items-center gap-1.5 text-sm">
            <input
              type="checkbox"
              className="size-4 accent-ink"
              checked={isBeside}
              onChange={() => onBeside(template.id)}
              aria-label={`${template.name}: compare`}
            />
            Compare
          </label>
        </div>
      </div>
    </article>
  )
}
