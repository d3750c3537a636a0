'use client'
import { own } from '@/core/own'
import { pageTexts } from '@/core/fill'
import { flatMenu, menuOf, type MenuEntry } from '@/core/pages'
import { anchorSteps, newSignpost, rankAfter, rankAtEnd } from '@/core/plan'
import {
  byRank,
  pagesIn,
  pagesOf,
  type EditStep,
  type Listed,
  type PageIn,
  type SectionId,
  type Signpost,
  type SiteDocument,
} from '@/core/site'
import type { Pack } from '@/core/pack'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { TargetButton } from '../words/target-button'
import { Cell } from './cell'
import { attempt, attemptWithUndo, unique } from './use-acts'

const FIELD = 'rounded-sm border border-seam bg-white px-1.5 py-1 text-sm'

/** Entries of menus that are no pages, and the menu as it is with them. */
export function SignpostsPanel({ onClose }: { onClose: () => void }) {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const signposts = Object.values(document.signposts).sort(byRank)
  const add = (): void => {
    const id = `sign-${unique()}`
    attempt(
      store,
      { type: 'signpost/set', signpost: id, value: newSignpost(document, id, 'New link', 'menu') },
      'The menu link was not added',
    )
  }
  return (
    <section
      aria-label="Menu"
      className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_17rem] gap-4 pb-3"
      onKeyDown={(event) => {
        // A list that is open over it closes by itself.
        if (event.key === 'Escape' && event.currentTarget.contains(event.target as Node)) onClose()
      }}
    >
      <div className="flex min-h-0 flex-col gap-2">
        <p className="flex items-center gap-2">
          <Button onClick={add}>Add a menu link</Button>
          <span className="text-sm text-soft">beside the pages: an address elsewhere, a section of a page, a telephone call</span>
          <Button look="quiet" className="ms-auto" onClick={onClose}>
            Close
          </Button>
        </p>
        {signposts.length === 0 ? (
          <p className="text-sm text-soft">The menu lists pages only.</p>
        ) : (
          <ul className="min-h-0 flex-1 overflow-y-auto border border-seam bg-cloth">
            {signposts.map((sign) => (
              <SignpostRow key={sign.id} sign={sign} document={document} pack={pack} />
            ))}
          </ul>
        )}
      </div>
      <div className="min-h-0 overflow-y-auto border border-seam bg-cloth p-3 text-sm">
        <h2 className="font-bold">The menu as it is</h2>
        <MenuTree entries={menuOf(document, 'menu')} document={document} pack={pack} />
        <h2 className="mt-3 font-bold">At the foot</h2>
        <MenuTree entries={flatMenu(menuOf(document, 'foot')).map((e) => ({ ...e, under: [] }))} document={document} pack={pack} />
      </div>
    </section>
  )
}

function MenuTree({ entries, document, pack }: { entries: readonly MenuEntry[]; document: SiteDocument; pack: Pack }) {
  if (entries.length === 0) return <p className="text-soft">nothing</p>
  return (
    <ul className="ps-3">
      {entries.map((entry) => (
        <li key={entry.type === 'page' ? entry.page.id : entry.signpost.id} dir="auto">
          {entry.type === 'page' ? pageTexts(pack, document, entry.page).label : <i>{entry.signpost.label.text}</i>}
          {entry.under.length > 0 && <MenuTree entries={entry.under} document={document} pack={pack} />}
        </li>
      ))}
    </ul>
  )
}

type RowProps = { readonly sign: Signpost; readonly document: SiteDocument; readonly pack: Pack }

function SignpostRow({ sign, document, pack }: RowProps) {
  const store = useJobStore()
  const set = (change: Partial<Signpost>, before: readonly EditStep[] = []): boolean =>
    attempt(
      store,
      [...before, { type: 'signpost/set', signpost: sign.id, value: { ...sign, ...change } }],
      'The menu link was not changed',
    ) !== null
  const nameOf = (id: string): string => {
    const page = own(document.pages, id)
    return page ? pageTexts(pack, document, page).name : ''
  }
  const under = sign.in.type === 'page' ? sign.in.page : ''
  const siblings = pagesIn(document, sign.in)
  const after = siblings.findLast((page) => page.rank < sign.rank)?.id ?? ''
  return (
    <li className="grid grid-cols-[11rem_minmax(0,1fr)_auto] items-start gap-x-3 gap-y-1 border-b border-grid p-2">
      <Cell
        label="Label"
        value={sign.label.text}
        max={200}
        onKeep={(text) => text.trim() !== '' && set({ label: { text: text.trim() } })}
        onLeave={() => undefined}
      />
      <span className="flex flex-wrap items-center gap-2">
        <TargetButton
          label={sign.label.text}
          to={sign.to}
          onTarget={(to) => set({ to }, to.type === 'section' ? anchorSteps(document, to.section as SectionId) : [])}
        />
      </span>
      <Button
        look="quiet"
        onClick={() =>
          attemptWithUndo(
            store,
            { type: 'signpost/set', signpost: sign.id, value: null },
            'The entry stays',
            `“${sign.label.text}” is taken down.`,
          )
        }
      >
        Take down
      </Button>
      <span className="col-span-3 flex flex-wrap items-center gap-2 text-sm">
        <label className="flex items-center gap-1">
          Shown in
          <select className={FIELD} value={sign.listed} onChange={(event) => set({ listed: event.target.value as Listed })}>
            <option value="menu">in the menu</option>
            <option value="foot">at the foot</option>
          </select>
        </label>
        <label className="flex items-center gap-1">
          under
          <select
            className={FIELD}
            value={under}
            onChange={(event) => {
              const where: PageIn = event.target.value === '' ? { type: 'site' } : { type: 'page', page: event.target.value as never }
              set({ in: where, rank: rankAtEnd(document, where) })
            }}
          >
            <option value="">no page</option>
            {pagesOf(document).map((page) => (
              <option key={page.id} value={page.id}>
                {nameOf(page.id)}
              </option>
            ))}
          </select>
        </label>
        {siblings.length > 0 && (
          <label className="flex items-center gap-1">
            after
            <select
              className={FIELD}
              value={after}
              onChange={(event) => set({ rank: rankAfter(document, sign.in, event.target.value === '' ? null : event.target.value) })}
            >
              <option value="">nothing: first</option>
              {siblings.map((page) => (
                <option key={page.id} value={page.id}>
                  {nameOf(page.id)}
                </option>
              ))}
            </select>
          </label>
        )}
      </span>
    </li>
  )
}
