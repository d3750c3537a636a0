'use client'
import { own } from '@/core/own'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState, useTransition, type FormEvent } from 'react'
import { createStore } from 'zustand/vanilla'
import { makeDocument } from '@/core/fill'
import type { AssetTable } from '@/core/image'
import { findScheme, getTemplate, type Pack } from '@/core/pack'
import { madeJobSchema } from '@/core/replies'
import { applyEdit, findFactFault, homePage, type Brand, type Facts, type SiteDocument } from '@/core/site'
import { firstDraft } from '@/core/trade'
import { Fault } from '../parts/fault'
import { Button, buttonClass } from '../parts/button'
import { askJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { SheetRow, type SheetSource } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import { BriefFields } from './brief-fields'
import { bestTemplate } from '../parts/suited-template'
import { ThreeAnswers } from './three-answers'

const SHEETS: readonly SheetName[] = ['desktop', 'phone']
type Way = 'brief' | 'three'
type Answers = { readonly facts: Facts; readonly brand: Brand; readonly assets: AssetTable; readonly way: Way }

/** A new job: the brief on one side, the client's home page on the other, live from the first letter. */
export function NewJob({ pack, assets }: { pack: Pack; assets: AssetTable }) {
  const router = useRouter()
  const [answers, setAnswers] = useState<Answers>({ facts: {}, brand: {}, assets, way: 'brief' })
  const { busy, fault, setFault, run } = useMutation({ otherwise: 'The job could not be made. Try again.' })
  const [isGoing, begin] = useTransition()
  const [store] = useState(() => createStore<Answers>(() => answers))
  const best = useMemo(() => bestTemplate(pack, assets, answers.facts), [pack, assets, answers.facts])
  const template = best?.template.id ?? 'tallow'
  const source = useMemo<SheetSource>(
    () => ({
      current: () => {
        const { facts, brand, assets: known, way } = store.getState()
        const document = begun(pack, bestTemplate(pack, assets, facts)?.template.id ?? 'tallow', facts, brand, way === 'three')
        return { site: { document, pack, assets: known, mode: 'sheet' }, page: homePage(document) }
      },
      subscribe: store.subscribe,
    }),
    [store, pack, assets],
  )
  const change = (next: (before: Answers) => Answers): void => {
    store.setState(next(store.getState()))
    setAnswers(store.getState())
    setFault(null)
  }
  useEffect(() => {
    // Who is already in a field, before the page came alive, stays there.
    if (document.activeElement?.closest('form input:not([type=radio]), form textarea')) return
    document.querySelector<HTMLInputElement>('form input:not([type=radio])')?.focus()
  }, [answers.way])

  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault()
    const name = (answers.facts.name ?? '').trim()
    const found = name === '' ? 'A job needs the client’s name. The rest can wait.' : firstFault(answers.facts)
    if (found) return setFault(found)
    const wanted = { template, facts: { ...answers.facts, name }, brand: answers.brand, draft: answers.way === 'three' }
    await run(async () => {
      const { job } = await askJson('/api/jobs', wanted, madeJobSchema)
      begin(() => router.push(`/jobs/${job}/template`))
    })
  }
  const onFact = (fact: keyof Facts, value: unknown): void => change((d) => ({ ...d, facts: without(d.facts, fact, value) }))

  return (
    <main className="grid h-dvh grid-cols-[minmax(22rem,26rem)_minmax(0,1fr)]">
      <form onSubmit={submit} className="flex min-h-0 flex-col border-e border-seam bg-cloth" noValidate aria-label="New job">
        <div className="flex-1 overflow-y-auto p-5">
          <h1 className="mb-1 text-2xl font-bold tracking-tight">New job</h1>
          <p className="mb-3 text-soft">The name is enough to begin with.</p>
          <WayIn way={answers.way} onWay={(way) => change((d) => ({ ...d, way }))} />
          {answers.way === 'three' ? (
            <ThreeAnswers facts={answers.facts} onFact={onFact} />
          ) : (
            <BriefFields
              facts={answers.facts}
              brand={answers.brand}
              spec={findScheme(getTemplate(pack, template), null)}
              language={getTemplate(pack, template).language}
              job={null}
              logo={answers.brand.logo ? own(answers.assets, answers.brand.logo) : undefined}
              onFact={onFact}
              onColour={(part, hex) => change((d) => ({ ...d, brand: without(d.brand, part, hex) }))}
              logoOnDark={answers.brand['logo-on-dark'] ? own(answers.assets, answers.brand['logo-on-dark']) : undefined}
              onLogos={(logo, onDark) =>
                change((d) => ({
                  ...d,
                  brand: without(without(d.brand, 'logo', logo?.id ?? null), 'logo-on-dark', onDark?.id ?? null),
                  assets: { ...d.assets, ...(logo ? { [logo.id]: logo } : {}), ...(onDark ? { [onDark.id]: onDark } : {}) },
                }))
              }
            />
          )}
        </div>
        <div className="border-t border-seam p-4">
          <Fault words={fault} className="mb-2 text-sm" />
          <div className="flex gap-2">
            <Button look="main" type="submit" className="flex-1" disabled={busy || isGoing}>
              {busy || isGoing ? 'Making the job…' : 'Make the job, then choose a template'}
            </Button>
            <Link href="/" className={buttonClass('quiet')}>
              Cancel
            </Link>
          </div>
        </div>
      </form>
      <section className="flex min-h-0 flex-col p-5" aria-label="The home page, as it would begin">
        <p className="mb-3 text-sm text-soft" role="status">
          {best && best.suits.score > 0 ? (
            <>
              Worn here: <strong className="text-ink">{best.template.name}</strong>, {best.suits.reasons.join('; ')}.
            </>
          ) : (
            'Say the trade, and the template that suits it is worn here.'
          )}
        </p>
        <div className="min-h-0 flex-1">
          <SheetRow source={source} sheets={SHEETS} label="Home page" events={null} />
        </div>
      </section>
    </main>
  )
}

function WayIn({ way, onWay }: { way: Way; onWay: (way: Way) => void }) {
  const look =
    'flex-1 cursor-pointer border border-ink px-3 py-1.5 text-center text-sm font-semibold has-checked:bg-ink ' +
    'has-checked:text-cloth has-focus-visible:outline-2 has-focus-visible:outline-offset-2'
  return (
    <fieldset className="mb-5 flex">
      <legend className="sr-only">Way in</legend>
      <label className={look}>
        <input type="radio" name="way" className="sr-only" checked={way === 'brief'} onChange={() => onWay('brief')} />
        The whole brief
      </label>
      <label className={`${look} border-s-0`}>
        <input type="radio" name="way" className="sr-only" checked={way === 'three'} onChange={() => onWay('three')} />
        Three answers
      </label>
    </fieldset>
  )
}

/** The site as the job would begin, with its first draft where that is asked for. */
function begun(pack: Pack, template: string, facts: Facts, brand: Brand, drafted: boolean): SiteDocument {
  const document = makeDocument(getTemplate(pack, template), facts, brand)
  const edit = drafted ? firstDraft(pack, document) : null
  const applied = edit && applyEdit(document, edit)
  return applied?.ok ? applied.document : document
}

function firstFault(facts: Facts): string | null {
  for (const name of ['name', 'phone', 'email', 'special'] as const) {
    const fault = findFactFault(name, facts[name] ?? '', facts.address?.country ?? null)
    if (fault) return fault
  }
  return null
}

function without<T extends object>(of: T, key: keyof T & string, value: unknown): T {
  const { [key]: _, ...rest } = of
  return (value === null ? rest : { ...rest, [key]: value }) as T
}
