'use client'
import { useState } from 'react'
import { pageTexts } from '@/core/fill'
import { redirectFile, redirectsOf, toOldAddress, toWebAddress, type PublishedPath, type Redirect } from '@/core/pages'
import { pagesOf, shownPages, type RedirectTo } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { Cell } from './cell'
import { attempt, attemptWithUndo } from './use-acts'

type Props = { readonly published: readonly PublishedPath[]; readonly origin: string | null; readonly onClose: () => void }

const WHY: Readonly<Record<Redirect['why'], string>> = { moved: 'the page moved', gone: 'the page is gone', set: 'said by hand' }

/** Addresses where visitors found something that stands elsewhere now, and where each leads on; others can be added. */
export function RedirectsPanel({ published, origin, onClose }: Props) {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const [typed, setTyped] = useState('')
  const [problem, setProblem] = useState('')
  const all = redirectsOf(document, published, origin)
  const add = (): void => {
    const path = toOldAddress(typed)
    if (path === null) return setProblem('An old address begins with a slash and has no spaces, like /about-us.html.')
    if (all.some((r) => r.from === path)) return setProblem(`${path} is a redirect already.`)
    const standing = pagesOf(document)[0]
    setProblem('')
    if (
      standing &&
      attempt(store, { type: 'redirect/set', path, value: { type: 'page', page: standing.id } }, 'The redirect was not added') !== null
    )
      setTyped('')
  }
  return (
    <section
      aria-label="Redirects"
      className="flex min-h-0 flex-1 flex-col gap-2 pb-3"
      onKeyDown={(event) => event.key === 'Escape' && onClose()}
    >
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          add()
        }}
      >
        <label className="flex items-center gap-2 text-sm">
          An old address
          <input
            className="w-64 rounded-sm border border-seam bg-white px-2 py-1 font-mono text-xs"
            value={typed}
            maxLength={300}
            placeholder="/about-us.html"
            data-own-undo
            spellCheck={false}
            aria-describedby="redirect-problem"
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <Button type="submit">Lead it on</Button>
        <span id="redirect-problem" role="status" className="text-sm text-thread">
          {problem}
        </span>
        <label className="ms-auto flex items-center gap-1.5 text-sm">
          <input
            type="checkbox"
            className="accent-ink"
            checked={!document.plan.flat}
            onChange={(event) =>
              void attempt(
                store,
                { type: 'plan/set', part: 'flat', value: event.target.checked ? null : true },
                'The addresses were not changed',
              )
            }
          />
          Addresses follow the tree
        </label>
        <Button look="quiet" onClick={onClose}>
          Close
        </Button>
      </form>
      {all.length === 0 ? (
        <p className="text-sm text-soft">
          Every address that visitors have still finds its page. A page that is moved, renamed or removed after it was published is
          redirected by itself.
        </p>
      ) : (
        <table className="w-full border-collapse text-sm">
          <thead>
            <tr className="border-b border-ink text-start text-xs text-soft">
              <th className="py-1 text-start font-semibold">From</th>
              <th className="text-start font-semibold">Leads to</th>
              <th className="text-start font-semibold">Why</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {all.map((redirect) => (
              <RedirectRow key={redirect.from} redirect={redirect} />
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}

function RedirectRow({ redirect: { from, to, why } }: { redirect: Redirect }) {
  const store = useJobStore()
  const document = useJob((s) => s.document)
  const pack = useJob((s) => s.pack)
  const [isUrl, setUrl] = useState(false)
  const set = (value: RedirectTo | null): boolean =>
    attempt(store, { type: 'redirect/set', path: from, value }, 'The redirect was not changed') !== null
  const url = to && 'url' in to ? to.url : ''
  const chosen = isUrl || url !== '' ? 'url' : to === null ? 'gone' : 'page' in to ? to.page.id : 'gone'
  return (
    <tr className="border-b border-grid align-top">
      <td className="py-1 pe-3 font-mono text-xs">
        {from}
        {redirectFile(from) === null && (
          <span className="block font-sans text-thread">not every server can redirect from a file of this kind</span>
        )}
      </td>
      <td className="py-1 pe-3">
        <span className="flex flex-wrap items-center gap-2">
          <select
            aria-label={`Where ${from} leads`}
            className="rounded-sm border border-seam bg-white px-1.5 py-0.5"
            value={chosen}
            onChange={(event) => {
              const { value } = event.target
              setUrl(value === 'url')
              if (value === 'gone') set({ type: 'gone' })
              else if (value !== 'url') set({ type: 'page', page: value as never })
            }}
          >
            {shownPages(document).map((page) => (
              <option key={page.id} value={page.id}>
                {pageTexts(pack, document, page).name}
              </option>
            ))}
            <option value="url">an address elsewhere</option>
            <option value="gone">nowhere: it is gone</option>
          </select>
          {chosen === 'url' && (
            <span className="min-w-64 flex-1">
              <Cell
                label={`Address elsewhere for ${from}`}
                mono
                value={url}
                placeholder="https://"
                onKeep={(text) => {
                  const whole = toWebAddress(text)
                  return whole !== null && set({ type: 'url', url: whole })
                }}
                onLeave={() => undefined}
              />
            </span>
          )}
        </span>
      </td>
      <td className="py-1 pe-3 text-soft">{WHY[why]}</td>
      <td className="py-1 text-end">
        {why === 'set' && (
          <Button
            look="quiet"
            onClick={() =>
              attemptWithUndo(store, { type: 'redirect/set', path: from, value: null }, 'It stays', `The redirect from ${from} is removed.`)
            }
            aria-label={`Remove the redirect from ${from}`}
          >
            Forget
          </Button>
        )}
      </td>
    </tr>
  )
}
