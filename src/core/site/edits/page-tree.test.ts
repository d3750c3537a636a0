import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  addressOf,
  applyEdit,
  differences,
  findPage,
  homePage,
  isHidden,
  lineOf,
  MAX_LEVELS,
  pagesIn,
  pagesOf,
  shownPages,
  toEdit,
  type Edit,
  type EditProblem,
  type PageId,
  type PageIn,
  type SiteDocument,
} from '..'
import { editOf, someEdit } from '../../../../tests/some-edits'
import { testSite } from '../../../../tests/pack'

const TOP: PageIn = { type: 'site' }
const under = (page: string): PageIn => ({ type: 'page', page: page as PageId })
const start = testSite({ name: 'Client' }).document

function after(document: SiteDocument, ...edits: readonly Edit[]): SiteDocument {
  return edits.reduce((now, edit) => {
    const applied = applyEdit(now, edit)
    if (!applied.ok) throw new Error(applied.problem.code)
    return applied.document
  }, document)
}

function problem(document: SiteDocument, edit: Edit): EditProblem | null {
  const applied = applyEdit(document, edit)
  return applied.ok ? null : applied.problem
}

const move = (page: string, where: PageIn, rank = 'a5'): Edit => ({ type: 'page/move', page: page as PageId, in: where, rank })
const address = (document: SiteDocument, page: string): string => addressOf(document, findPage(document, page)!)
const ids = (document: SiteDocument): string[] => pagesOf(document).map((p) => p.id)

describe('the tree of pages', () => {
  test('a page put under another stands after it, and its address follows', () => {
    const nested = after(start, move('prices', under('about')), move('contact', under('prices')))
    expect(ids(nested).slice(ids(nested).indexOf('about'), ids(nested).indexOf('about') + 3)).toEqual(['about', 'prices', 'contact'])
    expect(address(nested, 'contact')).toBe('about/prices/contact')
    expect(lineOf(nested, findPage(nested, 'contact')!).map((p) => p.id)).toEqual(['about', 'prices', 'contact'])
    const flat = after(nested, { type: 'plan/set', part: 'flat', value: true })
    expect(address(flat, 'contact')).toBe('contact')
  })

  test('under the home page an address has no part for it', () => {
    expect(address(after(start, move('about', under(homePage(start).id))), 'about')).toBe('about')
  })

  test('a page stands neither under itself, nor under what stands under it, nor on a fourth level', () => {
    expect(problem(start, move('about', under('about')))).toEqual({ code: 'pageInItself' })
    const nested = after(start, move('prices', under('about')), move('contact', under('prices')))
    expect(problem(nested, move('about', under('contact')))).toEqual({ code: 'pageInItself' })
    const fourth = ids(nested).find((id) => !['about', 'prices', 'contact', homePage(nested).id].includes(id))!
    expect(problem(nested, move(fourth, under('contact')))).toEqual({ code: 'tooDeep' })
    expect(problem(start, move('about', under('nobody')))).toEqual({ code: 'pageGone', page: 'nobody' })
  })

  test('two who put two pages into each other at once: the first is taken, the second refused', () => {
    const first = after(start, move('about', under('contact')))
    expect(problem(first, move('contact', under('about')))).toEqual({ code: 'pageInItself' })
  })

  test('what stands under a page that goes takes its place, in its order, and taking that back puts all of it back', () => {
    const nested = after(start, move('prices', under('about'), 'a1'), move('contact', under('about'), 'a2'), {
      type: 'signpost/set',
      signpost: 'shop',
      value: {
        id: 'shop',
        in: under('about'),
        rank: 'a3',
        listed: 'menu',
        label: { text: 'Shop' },
        to: { type: 'url', url: 'https://a.example' },
      },
    })
    const gone = applyEdit(nested, { type: 'page/remove', page: 'about' as PageId })
    if (!gone.ok) throw new Error(gone.problem.code)
    const before = pagesIn(nested, TOP).map((p) => p.id)
    const at = before.indexOf('about' as PageId)
    expect(pagesIn(gone.document, TOP).map((p) => p.id)).toEqual([...before.slice(0, at), 'prices', 'contact', ...before.slice(at + 1)])
    expect(gone.document.signposts.shop?.in).toEqual(TOP)
    expect(after(gone.document, gone.inverse)).toEqual(nested)
  })

  test('the same name is free on another level, and a page moved to where its name is taken gets the next', () => {
    const named = after(start, move('prices', under('about')), {
      type: 'page/set',
      page: 'prices' as PageId,
      part: 'segment',
      value: 'contact',
    })
    expect(address(named, 'prices')).toBe('about/contact')
    const back = after(named, move('prices', TOP))
    expect(address(back, 'prices')).toBe('contact-2')
    expect(address(back, 'contact')).toBe('contact')
    const flat = after(named, { type: 'plan/set', part: 'flat', value: true })
    expect(new Set(pagesOf(flat).map((p) => addressOf(flat, p))).size).toBe(pagesOf(flat).length)
  })

  test('an address that servers keep for themselves is refused where it is asked for', () => {
    const set = (segment: string): Edit => ({ type: 'page/set', page: 'about' as PageId, part: 'segment', value: segment })
    expect(problem(start, set('404'))).toEqual({ code: 'addressReserved', segment: '404' })
    expect(problem(start, set('contact'))).toEqual({ code: 'addressTaken', segment: 'contact' })
    const nested = after(start, move('about', under('contact')))
    expect(address(after(nested, set('404')), 'about')).toBe('contact/404')
    expect(problem(after(nested, set('404')), move('about', TOP))).toBeNull()
    expect(address(after(nested, set('404'), move('about', TOP)), 'about')).toBe('404-2')
  })

  test('a hidden page hides those under it; home is never hidden', () => {
    const hide = (page: string): Edit => ({ type: 'page/set', page: page as PageId, part: 'hidden', value: true })
    const hidden = after(start, move('prices', under('about')), hide('about'))
    expect(isHidden(hidden, findPage(hidden, 'prices')!)).toBe(true)
    expect(shownPages(hidden).map((p) => p.id)).toEqual(ids(hidden).filter((id) => id !== 'about' && id !== 'prices'))
    expect(problem(start, hide(homePage(start).id))).toEqual({ code: 'homeHidden' })
    expect(problem(hidden, move('about', TOP, 'Zz'))).toEqual({ code: 'homeHidden' })
  })
})

test('whatever is done with pages, each stands once, on a level there is, at its own address; one plan leads to any other', () => {
  let nested = 0
  fc.assert(
    fc.property(fc.array(someEdit, { minLength: 10, maxLength: 60 }), (some) => {
      let document = start
      let n = 0
      for (const one of some) {
        const edit = editOf(document, { ...one, what: one.what % 2 === 0 ? 12 : 11 + (one.what % 7) }, () => `n${n++}`)
        const applied = edit && applyEdit(document, edit)
        if (!applied?.ok) continue
        expect(applyEdit(applied.document, applied.inverse)).toMatchObject({ ok: true, document: { pages: document.pages } })
        document = applied.document
        const pages = pagesOf(document)
        expect(new Set(pages).size).toBe(Object.keys(document.pages).length)
        expect(new Set(pages.map((p) => addressOf(document, p))).size).toBe(pages.length)
        expect(Math.max(...pages.map((p) => lineOf(document, p).length))).toBeLessThanOrEqual(MAX_LEVELS)
        nested += pages.filter((p) => p.in.type === 'page').length
      }
      expect(after(start, toEdit(differences(start, document)))).toEqual(document)
      expect(after(document, toEdit(differences(document, start)))).toEqual(start)
    }),
    { numRuns: 60, seed: 7 },
  )
  expect(nested).toBeGreaterThan(500)
})
