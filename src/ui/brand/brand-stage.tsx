'use client'
import { Tabs } from 'radix-ui'
import { useMemo, useState } from 'react'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Vision } from '@/core/colour'
import { notFoundPage, pageTexts, type Site } from '@/core/fill'
import { homePage, pagesOf, type Page, type SiteDocument, type TextStyleName } from '@/core/site'
import { pageNamed } from '@/core/wear'
import { useJobStore } from '../job/job-context'
import { jobSource } from '../job/job-source'
import { inputClass } from '../parts/field'
import { SheetRow, type SheetSource } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import { ColourPart } from './colour-part'
import { FamilyFaces } from './family-faces'
import { LogoPart } from './logo-part'
import { LogoSurfaces } from './logo-surfaces'
import { PaletteTable } from './palette-table'
import { ShapeBoard } from './shape-board'
import { ShapePart } from './shape-part'
import { SpecimenTable } from './specimen'
import { TokensPart, TokensPreview } from './tokens-part'
import { TypePart } from './type-part'
import { useSite } from '../job/use-site'
import { VisionChoice, VisionFilter } from './vision-choice'

const SHEETS: readonly SheetName[] = ['desktop', 'tablet', 'phone']
const PARTS = [
  ['colour', 'Colour'],
  ['logo', 'Logo'],
  ['type', 'Type'],
  ['shape', 'Shape'],
  ['tokens', 'Tokens'],
] as const
type PartName = (typeof PARTS)[number][0]

type View = { readonly page: string; readonly night: boolean }

/** The brand with the site's own pages in view: choices on the left, the sheets beside them, and under the sheets what was computed. */
export function BrandStage() {
  const site = useSite()
  const { document, pack } = site
  const [part, setPart] = useState<PartName>('colour')
  const [style, setStyle] = useState<TextStyleName>('h1')
  const [vision, setVision] = useState<Vision>('full')
  const [view, setView] = useView(homePage(document).id)
  const source = useSource(view)
  const page = pageOf(site, view.page)
  const seesDark = document.dress.dark === true || (document.dress.dark === 'visitor' && view.night)
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(20rem,23rem)_minmax(0,1fr)]">
      <FamilyFaces />
      <Tabs.Root
        value={part}
        onValueChange={(next) => setPart(next as PartName)}
        className="flex min-h-0 flex-col border-e border-seam bg-cloth"
      >
        <h1 className="sr-only">Brand</h1>
        <Tabs.List aria-label="Parts of the brand" className="flex shrink-0 border-b border-ink">
          {PARTS.map(([key, words]) => (
            <Tabs.Trigger
              key={key}
              value={key}
              className={
                'grow border-e border-seam px-2 py-2 text-sm font-semibold last:border-0 hover:bg-tape ' +
                'data-[state=active]:bg-ink data-[state=active]:text-cloth'
              }
            >
              {words}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {PARTS.map(([key]) => (
          <Tabs.Content key={key} value={key} tabIndex={-1} className="min-h-0 flex-1 overflow-y-auto p-4">
            {choices(key)}
          </Tabs.Content>
        ))}
      </Tabs.Root>
      <div className="flex min-h-0 flex-col">
        <div className="flex shrink-0 flex-wrap items-center gap-x-5 gap-y-1 px-4 pt-2">
          <label className="flex items-center gap-1.5 text-sm">
            Page
            <select
              aria-label="Page"
              className={`${inputClass} w-auto! py-1!`}
              value={view.page}
              onChange={(event) => setView({ page: event.target.value })}
            >
              {pagesOf(document).map((p) => (
                <option key={p.id} value={p.id}>
                  {pageTexts(pack, document, p).name}
                </option>
              ))}
              <option value={notFoundPage().id}>404 page</option>
            </select>
          </label>
          <VisionChoice vision={vision} onVision={setVision} />
          {document.dress.dark === 'visitor' && (
            <label className="flex items-center gap-1.5 text-sm">
              Visitor’s system
              <select
                aria-label="Visitor’s system"
                className={`${inputClass} w-auto! py-1!`}
                value={String(view.night)}
                onChange={(event) => setView({ night: event.target.value === 'true' })}
              >
                <option value="false">light</option>
                <option value="true">dark</option>
              </select>
            </label>
          )}
        </div>
        <VisionFilter vision={vision} />
        <section
          className="min-h-0 flex-1 px-4 pt-2"
          aria-label="The page"
          style={vision === 'full' ? undefined : { filter: 'url(#vision)' }}
        >
          <SheetRow source={source} sheets={SHEETS} label="Page" events={null} />
        </section>
        <section
          className="max-h-[38%] shrink-0 overflow-auto border-t border-seam bg-cloth px-4 py-2"
          aria-label="What was computed"
          tabIndex={0}
        >
          {evidence(part)}
        </section>
      </div>
    </main>
  )

  function choices(key: PartName) {
    switch (key) {
      case 'colour':
        return <ColourPart />
      case 'logo':
        return <LogoPart />
      case 'type':
        return <TypePart style={style} />
      case 'shape':
        return <ShapePart />
      case 'tokens':
        return <TokensPart />
      default:
        return key satisfies never
    }
  }

  function evidence(key: PartName) {
    switch (key) {
      case 'colour':
        return <PaletteTable dark={seesDark} />
      case 'logo':
        return <LogoSurfaces dark={seesDark} />
      case 'type':
        return <SpecimenTable page={page} style={style} onStyle={setStyle} />
      case 'shape':
        return <ShapeBoard />
      case 'tokens':
        return <TokensPreview />
      default:
        return key satisfies never
    }
  }
}

function pageOf(site: Site, id: string): Page {
  const other = notFoundPage()
  return id === other.id ? other : pageNamed(site.document, id)
}

/** What is looked at, kept where the sheets can ask for it between two drawings of the screen. */
function useView(home: string): [View & { readonly store: ViewStore }, (next: Partial<View>) => void] {
  const [store] = useState(() => createStore<View>(() => ({ page: home, night: false })))
  const [view, setView] = useState<View>(() => store.getState())
  return [
    { ...view, store },
    (next) => {
      store.setState(next)
      setView(store.getState())
    },
  ]
}
type ViewStore = StoreApi<View>

/** The page in hand as the job has it now; at night as a visitor sees it whose system is dark. */
function useSource({ store: view }: { readonly store: ViewStore }): SheetSource {
  const job = useJobStore()
  return useMemo<SheetSource>(() => {
    const atNight = (document: SiteDocument): SiteDocument =>
      document.dress.dark === 'visitor' && view.getState().night ? { ...document, dress: { ...document.dress, dark: true } } : document
    return jobSource(job, (site) => pageOf(site, view.getState().page), view, atNight)
  }, [job, view])
}
