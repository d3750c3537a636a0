'use client'
import { useMemo, useState } from 'react'
import { createStore } from 'zustand/vanilla'
import type { Vision } from '@/core/colour'
import { findScheme, getTemplate, offeredSchemes, pageTexts } from '@/core/pack'
import { homePage, type EditStep, type PageId } from '@/core/site'
import { BrandColours } from '../brief/brand-colours'
import { LogoInput } from '../brief/logo-input'
import { LogoOnDark } from '../brief/logo-on-dark'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { Button } from '../parts/button'
import { inputClass } from '../parts/field'
import { SheetRow, type SheetSource } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import { SchemeChooser } from '../template/scheme-chooser'
import { PaletteTable } from './palette-table'
import { VisionChoice, VisionFilter } from './vision-choice'

const SHEETS: readonly SheetName[] = ['desktop', 'tablet', 'phone']

/** The client's colours, scheme and logo with the site's own pages in view: every choice is computed through to every surface. */
export function BrandStage() {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const assets = useJob((s) => s.assets)
  const gesture = useGesture()
  const [view] = useState(() => createStore<{ page: PageId }>(() => ({ page: homePage(document).id })))
  const [page, setPage] = useState<PageId>(homePage(document).id)
  const [vision, setVision] = useState<Vision>('full')
  const { brand } = document
  const template = getTemplate(pack, document.template)
  const source = useMemo<SheetSource>(() => ({
    current: () => {
      const { document: now, pack: designs, assets: known } = store.getState()
      return { site: { document: now, pack: designs, assets: known, mode: 'draft' }, page: now.pages.find((p) => p.id === view.getState().page) ?? homePage(now) }
    },
    subscribe: (onChange) => {
      const stops = [store.subscribe(onChange), view.subscribe(onChange)]
      return () => stops.forEach((stop) => stop())
    },
  }), [store, view])
  const open = (next: PageId): void => {
    setPage(next)
    view.setState({ page: next })
  }
  const backToTemplate = (): void => {
    const edits: EditStep[] = (['colour', 'second', 'third'] as const).map((part) => ({ type: 'brand/set', part, value: null }))
    store.apply({ type: 'batch', edits: [...edits, { type: 'scheme/set', scheme: null, dark: false }] })
  }
  const isOwn = brand.colour === undefined && document.scheme === undefined && !document.dark
  const logo = brand.logo ? assets[brand.logo] : undefined
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(20rem,22rem)_minmax(0,1fr)]">
      <div className="min-h-0 overflow-y-auto border-e border-seam bg-cloth p-4">
        <h1 className="text-xl font-bold tracking-tight">Brand</h1>
        <p className="mb-3 text-soft">Changes every page.</p>
        <BrandColours brand={brand} spec={findScheme(template, document.scheme ?? null)} onColour={(part, value) => store.apply({ type: 'brand/set', part, value }, gesture(part))} />
        <SchemeChooser
          offered={offeredSchemes(template)}
          brand={brand}
          scheme={document.scheme ?? null}
          dark={document.dark ?? false}
          onScheme={(scheme) => store.apply({ type: 'scheme/set', scheme, dark: document.dark ?? false }, gesture('scheme'))}
          onDark={(dark) => store.apply({ type: 'scheme/set', scheme: document.scheme ?? null, dark })}
        />
        <Button className="mt-3" disabled={isOwn} onClick={backToTemplate}>Back to {template.name}’s own colours</Button>
        <div className="mt-5 border-t border-seam pt-3">
          <h2 className="mb-1 font-bold">Logo</h2>
          <LogoInput job={store.getState().id} asset={logo} onAsset={(asset) => setLogos(asset?.id ?? null, null, asset ? [asset] : [])} />
          {logo && <LogoOnDark key={logo.id} job={store.getState().id} logo={logo} onDark={brand['logo-on-dark'] ? assets[brand['logo-on-dark']] : undefined} onLogos={(light, dark) => setLogos(light.id, dark?.id ?? null, dark ? [light, dark] : [light])} />}
        </div>
      </div>
      <div className="flex min-h-0 flex-col">
        <div className="flex shrink-0 items-center gap-5 px-4 pt-2">
          <label className="flex items-center gap-1.5 text-sm">Page
            <select aria-label="Page" className={`${inputClass} w-auto! py-1!`} value={page} onChange={(event) => open(event.target.value as PageId)}>
              {document.pages.map((p) => <option key={p.id} value={p.id}>{pageTexts(pack, document, p).name}</option>)}
            </select>
          </label>
          <VisionChoice vision={vision} onVision={setVision} />
        </div>
        <VisionFilter vision={vision} />
        <section className="min-h-0 flex-1 px-4 pt-2" aria-label="The page" style={vision === 'full' ? undefined : { filter: 'url(#vision)' }}><SheetRow source={source} sheets={SHEETS} label="Page" events={null} /></section>
        <PaletteTable spec={findScheme(template, document.scheme ?? null)} brand={brand} dark={document.dark ?? false} />
      </div>
    </main>
  )

  function setLogos(light: string | null, dark: string | null, made: readonly (typeof assets)[string][]): void {
    made.forEach(store.addAsset)
    store.apply({ type: 'batch', edits: [{ type: 'brand/set', part: 'logo', value: light }, { type: 'brand/set', part: 'logo-on-dark', value: dark }] })
  }
}
