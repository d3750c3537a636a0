'use client'
import { useMemo } from 'react'
import { homePage } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { SheetRow, type SheetSource } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import { BriefFields } from './brief-fields'

const SHEETS: readonly SheetName[] = ['desktop', 'phone']

/** The brief, reopened: what is changed here is changed on every page. */
export function BriefStage() {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const assets = useJob((s) => s.assets)
  const gesture = useGesture()
  const source = useMemo<SheetSource>(() => ({
    current: () => {
      const { document: now, pack, assets: known } = store.getState()
      return { site: { document: now, pack, assets: known, mode: 'draft' }, page: homePage(now) }
    },
    subscribe: store.subscribe,
  }), [store])
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(22rem,26rem)_minmax(0,1fr)]">
      <div className="min-h-0 overflow-y-auto border-e border-seam bg-cloth p-5">
        <h1 className="mb-1 text-xl font-bold tracking-tight">Brief</h1>
        <p className="mb-5 text-soft">Kept once, shown on every page.</p>
        <BriefFields
          facts={document.facts}
          brand={document.brand}
          job={store.getState().id}
          logo={document.brand.logo ? assets[document.brand.logo] : undefined}
          nameFault={document.facts.name ? null : 'A job needs the client’s name; the template’s stands in for it.'}
          onFact={(fact, value) => store.apply({ type: 'fact/set', fact, value }, gesture(`fact ${fact}`))}
          onColour={(value) => store.apply({ type: 'brand/set', part: 'colour', value }, gesture('colour'))}
          onLogo={(asset) => {
            if (asset) store.addAsset(asset)
            store.apply({ type: 'brand/set', part: 'logo', value: asset?.id ?? null })
          }}
        />
      </div>
      <section className="flex min-h-0 flex-col p-5" aria-label="The home page">
        <SheetRow source={source} sheets={SHEETS} label="Home page" events={null} />
      </section>
    </main>
  )
}
