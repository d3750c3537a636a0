'use client'
import { useCallback, useMemo, useState } from 'react'
import { pageTexts } from '@/core/fill'
import { findPageByPath, type PublishedPath } from '@/core/pages'
import { findPage, homePage, pagesOf, type PageId, type SectionId, type SiteDocument } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { jobSource } from '../job/job-source'
import { Boundary } from '../parts/boundary'
import { KeyHints } from '../keys/key-hints'
import { useKey } from '../keys/use-key'
import { SheetRow } from '../sheets/sheet-row'
import type { SectionEvents } from '../sheets/section-hands'
import type { SheetName } from '../sheets/widths'
import { AllPages } from './all-pages'
import { BinPanel } from './bin-panel'
import { SearchPanel } from './search-preview/search-panel'
import { MenuFitLine } from './menu-fit'
import { OutlinePanel } from './outline-panel'
import { PageAdder } from './page-adder'
import { PageBar } from './page-bar'
import { PageTable, ROW } from './page-table'
import { RedirectsPanel } from './redirects-panel'
import { SectionAdder } from './section-adder'
import { SectionList } from './section-list'
import { SignpostsPanel } from './menu-links-panel'
import { RemoveQuestion } from './remove-question'
import { UnfilledPanel } from './unfilled-panel'
import { usePageActs } from './use-acts'
import { useLive } from './use-live'
import { usePagesHand } from './use-pages-stage'
import { dropSection } from './use-section-drag'

const SHEETS: readonly SheetName[] = ['desktop', 'phone']

type Props = {
  readonly live: SiteDocument | null
  readonly published: readonly PublishedPath[]
  /** Where the site is live. */
  readonly origin: string | null
}

/** The plan of the site: its pages as one table, over the page in hand with its sections in order. */
export function PagesStage({ live: liveDocument, published, origin }: Props) {
  const store = useJobStore()
  const { page, below, view, hold, open } = usePagesHand()
  const live = useLive(liveDocument)
  const acts = usePageActs(live.isLive)
  const [asked, setAsked] = useState<PageId | null>(null)
  const [chosen, setChosen] = useState<readonly SectionId[]>([])
  const rows = useJob((s) => pagesOf(s.document).length)
  const name = useJob((s) => {
    const found = findPage(s.document, page)
    return found ? pageTexts(s.pack, s.document, found).name : ''
  })
  const toPage = useCallback(
    (id: PageId) => {
      hold(id)
      open({ type: 'page' })
      requestAnimationFrame(() => document.getElementById(`page-row-${id}`)?.focus())
    },
    [hold, open],
  )
  const remove = useCallback(
    (id: PageId) => {
      const before = acts.asksBefore(id)
      if (!before) return
      if (before.links.length + before.under.length > 0) return setAsked(id)
      acts.remove(id, false, 'drop')
      requestAnimationFrame(() => document.querySelector<HTMLElement>('[role="row"][aria-selected="true"]')?.focus())
    },
    [acts],
  )
  useKey('allPages', () => open({ type: below.type === 'all' ? 'page' : 'all' }))
  const isAsked = useJob((s) => asked !== null && findPage(s.document, asked) !== null)
  return (
    <main className="flex min-h-0 flex-1 flex-col px-4 pt-3">
      <PageBar page={page} below={below} acts={acts} onHold={toPage} onOpen={open} onRemove={() => remove(page)} />
      <MenuFitLine />
      {asked !== null && isAsked && (
        <RemoveQuestion
          page={asked}
          acts={acts}
          onClose={() => {
            setAsked(null)
            requestAnimationFrame(() => document.querySelector<HTMLElement>('[role="row"][aria-selected="true"]')?.focus())
          }}
        />
      )}
      <div className="flex min-h-32 shrink-0 flex-col" style={{ height: `min(44%, ${rows * ROW + 44}px)` }} data-skip-to tabIndex={-1}>
        <PageTable inHand={page} live={liveDocument} acts={acts} onHold={hold} onRemove={remove} />
      </div>
      <div className="flex min-h-0 flex-1 flex-col border-t border-ink pt-2">
        <Boundary what="This part of the stage">
          {below.type === 'add-page' && <PageAdder acts={acts} onAdded={toPage} onClose={() => toPage(page)} />}
          {below.type === 'outline' && <OutlinePanel onAdded={toPage} onClose={() => toPage(page)} />}
          {below.type === 'signposts' && <SignpostsPanel onClose={() => toPage(page)} />}
          {below.type === 'bin' && <BinPanel onBack={(of) => of.type === 'page' && toPage(of.page.id)} onClose={() => toPage(page)} />}
          {below.type === 'untouched' && <UnfilledPanel onClose={() => toPage(page)} />}
          {below.type === 'redirects' && <RedirectsPanel published={published} origin={origin} onClose={() => toPage(page)} />}
          {below.type === 'found' && <SearchPanel key={page} page={page} origin={origin} acts={acts} onClose={() => toPage(page)} />}
          {below.type === 'all' && <AllPages inHand={page} onHold={hold} onOpen={toPage} />}
          {below.type === 'add-section' && (
            <SectionAdder
              page={page}
              spot={below.spot}
              onAdded={(section) => {
                setChosen([section])
                open({ type: 'page' })
              }}
              onClose={() => open({ type: 'page' })}
            />
          )}
          {below.type === 'page' && (
            <div className="grid min-h-0 flex-1 grid-cols-[26rem_minmax(0,1fr)] gap-4 pb-2">
              <SectionList
                key={page}
                page={page}
                chosen={chosen}
                onChoose={setChosen}
                onAdd={(spot) => open({ type: 'add-section', spot })}
                onHold={toPage}
              />
              <PageSheets
                view={view}
                name={name}
                page={page}
                chosen={chosen.at(-1) ?? null}
                onChoose={setChosen}
                onGo={(path) => goTo(store.getState().document, path, hold)}
              />
            </div>
          )}
        </Boundary>
      </div>
      <div className="-mx-4 shrink-0">
        <KeyHints names={['movePage', 'renamePage', 'allPages']} />
      </div>
    </main>
  )
}

function goTo(document: SiteDocument, path: string, hold: (page: PageId) => void): void {
  const page = findPageByPath(document, path)
  if (page) hold(page.id)
}

type SheetsProps = {
  readonly view: ReturnType<typeof usePagesHand>['view']
  readonly name: string
  readonly page: PageId
  readonly chosen: SectionId | null
  readonly onChoose: (sections: readonly SectionId[]) => void
  readonly onGo: (path: string) => void
}

/** The page in hand on desktop and phone: sections are chosen and dragged there, and the one in hand comes into sight. */
function PageSheets({ view, name, page, chosen, onChoose, onGo }: SheetsProps) {
  const store = useJobStore()
  const source = useMemo(
    () => jobSource(store, ({ document }) => findPage(document, view.getState().page) ?? homePage(document), view),
    [store, view],
  )
  // The keys of the list go on from what was taken up on the sheet.
  const choose = (section: SectionId): void => {
    onChoose([section])
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-section-row="${CSS.escape(section)}"]`)?.focus())
  }
  const sections: SectionEvents = {
    onPick: (section) => choose(section as SectionId),
    onDrop: (section, target, side) => {
      choose(section as SectionId)
      dropSection(store, page, section as SectionId, { id: target, side })
    },
  }
  return <SheetRow source={source} sheets={SHEETS} label={name} events={null} onGo={onGo} sections={sections} section={chosen} />
}
