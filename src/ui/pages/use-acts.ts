import { nanoid } from 'nanoid'
import { useMemo } from 'react'
import { toast } from 'sonner'
import { pageTexts } from '@/core/fill'
import { copyPage, linksTo, makeHome, nameProblem, newPage, placePage, removePages, renamePage, stepPage, withUnder } from '@/core/plan'
import type { Beside, LinksThen, NewPage, Step } from '@/core/plan'
import { toSegment } from '@/core/pages'
import {
  applyEdit,
  findPage,
  MAX_PAGE_TEXT,
  toEdit,
  whyNot,
  type Edit,
  type EditStep,
  type Listed,
  type Page,
  type PageId,
  type PageText,
} from '@/core/site'
import { useJobStore } from '../job/job-context'
import { count } from '../parts/words'
import type { JobStore } from '../job/job-store'
import { notice } from '../parts/notice'

/** What sets the names of two things apart that are added at the same moment. */
export function unique(): string {
  return nanoid(8).replaceAll(/[-_]/g, 'x')
}

/** Makes a change, and says why where it cannot be made. The gesture's name, or null. */
export function attempt(store: JobStore, edit: Edit | readonly EditStep[] | null, what: string): string | null {
  if (edit === null) return null
  const asked = 'type' in edit ? edit : toEdit(edit)
  const tried = applyEdit(store.getState().document, asked)
  if (tried.ok) return store.apply(asked)
  toast.error(`${what}: ${whyNot(tried.problem)}.`)
  return null
}

/** The same, with a notice that takes it back by a press. */
export function attemptWithUndo(store: JobStore, edit: Edit | readonly EditStep[] | null, what: string, done: string): boolean {
  const gesture = attempt(store, edit, what)
  if (gesture !== null) notice(done, 'Undo', () => void store.undo(gesture))
  return gesture !== null
}

export type PageActs = ReturnType<typeof makePageActs>

/** What is done with pages, as edits. */
export function usePageActs(isLive: (page: PageId) => boolean): PageActs {
  const store = useJobStore()
  return useMemo(() => makePageActs(store, isLive), [store, isLive])
}

function makePageActs(store: JobStore, isLive: (page: PageId) => boolean) {
  const now = () => store.getState()
  const nameOf = (page: Page): string => pageTexts(now().pack, now().document, page).name
  const on = <T>(id: PageId, act: (page: Page) => T): T | null => {
    const page = findPage(now().document, id)
    return page ? act(page) : null
  }
  return {
    step: (id: PageId, step: Step) =>
      on(id, (page) => {
        const move = stepPage(now().document, page, step)
        if (move) attempt(store, move, `“${nameOf(page)}” was not moved`)
      }),
    place: (id: PageId, beside: Beside, other: PageId) =>
      on(id, (page) =>
        on(other, (at) => {
          const move = placePage(now().document, page, beside, at)
          if (move) attempt(store, move, `“${nameOf(page)}” was not moved`)
          else if (id !== other) toast.error('A page goes neither under itself nor before the home page. “Make home” makes it the first.')
        }),
      ),
    home: (id: PageId) =>
      on(id, (page) =>
        attemptWithUndo(
          store,
          makeHome(now().pack, now().document, page),
          `“${nameOf(page)}” is not made home`,
          `“${nameOf(page)}” is the home page now.`,
        ),
      ),
    /** Null: done. Else a sentence with what is wrong, and a name that would do. */
    rename: (id: PageId, name: string): { readonly sentence: string; readonly suggestion: string } | null =>
      on(id, (page) => {
        const { pack, document } = now()
        const problem = nameProblem(pack, document, name, page)
        if (problem?.code === 'nameEmpty') return null
        if (problem) return { sentence: `There is a page called “${name.trim()}” already.`, suggestion: problem.suggestion }
        attempt(store, renamePage(pack, document, page, name.slice(0, MAX_PAGE_TEXT), isLive(id)), `“${nameOf(page)}” was not renamed`)
        return null
      }),
    say: (id: PageId, part: PageText, text: string) =>
      attempt(
        store,
        { type: 'page/set', page: id, part, value: text.trim() === '' ? null : text.slice(0, MAX_PAGE_TEXT) },
        'The text was not changed',
      ),
    /** Words become an address; nothing that can be spelt leaves it as it was. */
    address: (id: PageId, words: string): boolean => {
      const segment = toSegment(words)
      if (segment === '') {
        toast.error('An address needs letters of a to z or digits.')
        return false
      }
      const steps: EditStep[] = [
        { type: 'page/set', page: id, part: 'segment', value: segment },
        { type: 'page/set', page: id, part: 'addressed', value: true },
      ]
      return attempt(store, steps, `The address “${segment}” was not set`) !== null
    },
    list: (id: PageId, listed: Listed) =>
      attempt(store, { type: 'page/set', page: id, part: 'listed', value: listed }, 'The menu was not changed'),
    hide: (id: PageId, hidden: boolean) =>
      on(id, (page) => attempt(store, { type: 'page/set', page: id, part: 'hidden', value: hidden }, `“${nameOf(page)}” was not hidden`)),
    onePage: (isOne: boolean) =>
      void attempt(store, { type: 'plan/set', part: 'onePage', value: isOne ? true : null }, 'The site was not changed'),
    find: (id: PageId, isFound: boolean) =>
      attempt(store, { type: 'page/set', page: id, part: 'unfound', value: !isFound }, 'Search engines were not told'),
    copy: (id: PageId, withContent: boolean): PageId | null =>
      on(id, (page) => {
        const { pack, document } = now()
        const added = copyPage(pack, document, page, withContent, unique)
        return attempt(store, added.steps, `“${nameOf(page)}” was not duplicated`) === null ? null : added.page
      }),
    add: (of: NewPage): PageId | null => {
      const { pack, document } = now()
      const added = newPage(pack, document, of, unique)
      return attempt(store, added.steps, 'The page is not added') === null ? null : added.page
    },
    /** What leads to a page and stands under it, for asking before it goes. */
    asksBefore: (id: PageId) =>
      on(id, (page) => ({
        links: linksTo(now().document, withUnder(now().document, page)),
        under: withUnder(now().document, page).slice(1),
      })),
    remove: (id: PageId, withAll: boolean, links: LinksThen) =>
      on(id, (page) => {
        const { document } = now()
        const pages = withAll ? withUnder(document, page) : [page]
        return attemptWithUndo(
          store,
          removePages(document, pages, links),
          `“${nameOf(page)}” stays`,
          pages.length === 1
            ? `“${nameOf(page)}” was removed, with everything on it.`
            : `“${nameOf(page)}” and ${count(pages.length - 1, 'page')} under it were removed, with everything on them.`,
        )
      }),
  }
}
