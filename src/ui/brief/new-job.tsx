'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState, type FormEvent } from 'react'
import { createStore } from 'zustand/vanilla'
import type { AssetTable } from '@/core/image'
import { getTemplate, makeDocument, type Pack } from '@/core/pack'
import { findFactFault, homePage, type Brand, type Facts } from '@/core/site'
import { ApiError, postJson } from '../job/api'
import { Button, buttonClass } from '../parts/button'
import { SheetRow, type SheetSource } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import { BriefFields } from './brief-fields'

const SHEETS: readonly SheetName[] = ['desktop', 'phone']
type Draft = { readonly facts: Facts; readonly brand: Brand; readonly assets: AssetTable }

/** A new job: the brief on one side, the client's home page on the other, live from the first letter. */
export function NewJob({ pack, assets, template }: { pack: Pack; assets: AssetTable; template: string }) {
  const router = useRouter()
  const [draft, setDraft] = useState<Draft>({ facts: {}, brand: {}, assets })
  const [fault, setFault] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [store] = useState(() => createStore<Draft>(() => ({ facts: {}, brand: {}, assets })))
  const source = useMemo<SheetSource>(() => ({
    current: () => {
      const { facts, brand, assets: known } = store.getState()
      const document = makeDocument(getTemplate(pack, template), facts, brand)
      return { site: { document, pack, assets: known, mode: 'draft' }, page: homePage(document) }
    },
    subscribe: store.subscribe,
  }), [store, pack, template])
  const change = (next: (before: Draft) => Draft): void => {
    store.setState(next(store.getState()))
    setDraft(store.getState())
    setFault(null)
  }
  useEffect(() => document.querySelector<HTMLInputElement>('input')?.focus(), [])

  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault()
    const name = (draft.facts.name ?? '').trim()
    const found = name === '' ? 'A job needs the client’s name. The rest can wait.' : firstFault(draft.facts)
    if (found) return setFault(found)
    setBusy(true)
    try {
      const { job } = await postJson<{ job: string }>('/api/jobs', { template, facts: { ...draft.facts, name }, brand: draft.brand })
      router.push(`/jobs/${job}/content`)
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'The job could not be made. Try again.')
      setBusy(false)
    }
  }

  return (
    <main className="grid h-dvh grid-cols-[minmax(22rem,26rem)_minmax(0,1fr)]">
      <form onSubmit={submit} className="flex min-h-0 flex-col border-e border-seam bg-cloth" noValidate aria-label="New job">
        <div className="flex-1 overflow-y-auto p-5">
          <h1 className="mb-1 text-2xl font-bold tracking-tight">New job</h1>
          <p className="mb-5 text-soft">The name is enough to begin with.</p>
          <BriefFields
            facts={draft.facts}
            brand={draft.brand}
            job={null}
            logo={draft.brand.logo ? draft.assets[draft.brand.logo] : undefined}
            onFact={(fact, value) => change((d) => ({ ...d, facts: without(d.facts, fact, value) }))}
            onColour={(hex) => change((d) => ({ ...d, brand: without(d.brand, 'colour', hex) }))}
            onLogo={(asset) => change((d) => ({ ...d, brand: without(d.brand, 'logo', asset?.id ?? null), assets: asset ? { ...d.assets, [asset.id]: asset } : d.assets }))}
          />
        </div>
        <div className="border-t border-seam p-4">
          {fault && <p className="mb-2 text-sm font-medium text-thread" role="alert">✕ {fault}</p>}
          <div className="flex gap-2">
            <Button look="main" type="submit" className="flex-1" disabled={busy}>{busy ? 'Making the job…' : 'Make the job'}</Button>
            <Link href="/" className={buttonClass('quiet')}>Cancel</Link>
          </div>
        </div>
      </form>
      <section className="flex min-h-0 flex-col p-5" aria-label="The home page, as it will begin">
        <SheetRow source={source} sheets={SHEETS} label="Home page" events={null} />
      </section>
    </main>
  )
}

function firstFault(facts: Facts): string | null {
  for (const name of ['name', 'phone', 'email'] as const) {
    const fault = findFactFault(name, facts[name] ?? '')
    if (fault) return fault
  }
  return null
}

function without<T extends object>(of: T, key: keyof T & string, value: unknown): T {
  const { [key]: _, ...rest } = of
  return (value === null ? rest : { ...rest, [key]: value }) as T
}
