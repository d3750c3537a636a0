'use client'
import { useDeferredValue, useEffect, useMemo, useRef } from 'react'
import { pageTexts, type Site } from '@/core/fill'
import { pagePath, rootOf } from '@/core/pages'
import { toldOfPage } from '@/core/render'
import { factsOf, findPage, type Page, type PageId, type PageText } from '@/core/site'
import { useJob } from '../../job/job-context'
import { Button } from '../../parts/button'
import { CheckLine } from '../../parts/check-line'
import { Cell } from '../cell'
import type { PageActs } from '../use-acts'
import { SearchResult, SharedCard, type PageAsTold } from './previews'
import { Verifications } from './verifications'

type Props = { readonly page: PageId; readonly origin: string | null; readonly acts: PageActs; readonly onClose: () => void }

/** What those who search, and those whom the page is sent to, are shown of it; and what shows services whose site this is. */
export function SearchPanel({ page: id, origin, acts, onClose }: Props) {
  const page = useJob((s) => findPage(s.document, id))
  const heading = useRef<HTMLHeadingElement>(null)
  useEffect(() => heading.current?.focus(), [])
  if (!page) return null
  return (
    <section
      aria-labelledby="found"
      className="grid min-h-0 flex-1 grid-cols-[24rem_minmax(0,1fr)] gap-6 pb-3"
      onKeyDown={(event) => event.key === 'Escape' && event.currentTarget.contains(event.target as Node) && onClose()}
    >
      <div className="-m-1 min-h-0 overflow-y-auto p-1">
        <p className="flex items-center justify-between gap-2">
          <h2 id="found" ref={heading} tabIndex={-1} className="font-bold">
            How this page is found
          </h2>
          <Button look="quiet" onClick={onClose}>
            Close
          </Button>
        </p>
        <Texts page={page} acts={acts} />
        <div className="mt-3">
          <CheckLine
            checked={!page.unfound}
            onCheck={(isFound) => acts.find(id, isFound)}
            hint={page.unfound ? 'It asks not to be listed, and stands in no map of the site.' : 'It stands in the map of the site.'}
          >
            Those who search may find it
          </CheckLine>
        </div>
        <Verifications />
      </div>
      <Drawn page={page} origin={origin} />
    </section>
  )
}

/** A page's title and description, typed here as in its row. */
function Texts({ page, acts }: { readonly page: Page; readonly acts: PageActs }) {
  const usual = (part: 'title' | 'description'): string => page.texts[part]?.text ?? ''
  const title = useJob((s) => pageTexts(s.pack, s.document, page).title)
  const description = useJob((s) => pageTexts(s.pack, s.document, page).description)
  const field = (part: Extract<PageText, 'title' | 'description'>, words: string, placeholder: string) => (
    <div className="mt-2">
      <p className="mb-0.5 text-sm font-semibold" aria-hidden>
        {words}
      </p>
      <Cell
        label={`${words} for those who search`}
        max={1000}
        value={usual(part)}
        placeholder={placeholder}
        onKeep={(text) => acts.say(page.id, part, text) !== null}
        onLeave={() => undefined}
      />
    </div>
  )
  return (
    <>
      {field('title', 'Title', title)}
      {field('description', 'Description', description)}
    </>
  )
}

function Drawn({ page, origin }: { readonly page: Page; readonly origin: string | null }) {
  const [document, pack, assets] = [useDeferredValue(useJob((s) => s.document)), useJob((s) => s.pack), useJob((s) => s.assets)]
  const told = useMemo((): PageAsTold => {
    const host = origin === null ? 'address-to-come.example' : new URL(origin).host
    const site: Site = { document, pack, assets, mode: 'release' }
    const path = (origin === null ? '' : rootOf(origin).slice(0, -1)) + pagePath(document, page)
    return { ...toldOfPage(site, page, host), host, path, name: factsOf(document).name ?? '' }
  }, [document, pack, assets, page, origin])
  return (
    <div className="min-h-0 overflow-auto border border-seam bg-cloth p-4" tabIndex={0} role="group" aria-label="As others show it">
      {page.unfound ? (
        <p className="mb-4 text-sm text-soft">Those who search are not shown this page.</p>
      ) : (
        <>
          <SearchResult told={told} on="desktop" words="In a list of results" />
          <SearchResult told={told} on="phone" words="The same on a phone" />
        </>
      )}
      <SharedCard told={told} />
      <p className="mt-3 max-w-xl text-xs text-soft">
        As wide as such places have been seen to be; each has its own, and may show other words of the page instead.
      </p>
    </div>
  )
}
