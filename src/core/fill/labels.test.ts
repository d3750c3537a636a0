import { describe, expect, test } from 'vitest'
import { testPack, testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'
import type { EditStep, SectionId, SiteDocument } from '../site'
import { countLeftovers, fillPage, hoursWords, ownWord, shownLabel, siteLabels, wordsOf, type Site } from '.'

const pack = testPack()
const start = testSite({ name: 'Labels' }).document
const say = (label: string, text: string | null): EditStep => ({ type: 'label/set', label, value: text === null ? null : { text } })
const speak = (language: string): EditStep => ({ type: 'fact/set', fact: 'language', value: language })
const telephone = { label: 'telephone', words: 'Telephone' }
const ring = { label: 'telephone', words: 'Ring' }
const row = (document: SiteDocument, label: string) => siteLabels(pack, document).find((l) => l.label === label)

describe('a label', () => {
  test('that is the plain word follows the site’s language, and is no leftover', () => {
    expect(shownLabel(start, telephone)).toEqual({ text: 'Telephone', leftover: false })
    expect(shownLabel(edited(start, speak('de')), telephone)).toEqual({ text: 'Telefon', leftover: false })
    expect(shownLabel(edited(start, speak('ar')), telephone).text).toBe('الهاتف')
  })

  test('of more flavour is the template’s, and a leftover until it is kept or changed', () => {
    const german = edited(start, speak('de'))
    expect(shownLabel(german, ring)).toEqual({ text: 'Ring', leftover: true })
    expect(shownLabel(edited(german, say('telephone', 'Rufen Sie an')), ring)).toEqual({ text: 'Rufen Sie an', leftover: false })
    expect(shownLabel(edited(german, say('telephone', 'Ring')), ring)).toEqual({ text: 'Ring', leftover: false })
  })

  test('that was emptied says the plain word, whatever the language becomes', () => {
    const emptied = edited(start, say('telephone', ''))
    expect(shownLabel(emptied, ring)).toEqual({ text: 'Telephone', leftover: false })
    expect(shownLabel(edited(emptied, speak('nl')), ring)).toEqual({ text: 'Telefoon', leftover: false })
    expect(shownLabel(edited(start, say('gate', '')), { label: 'gate', words: 'The gate' })).toEqual({ text: '', leftover: false })
  })

  test('is changed once for the site, and outlives a change of design and template', () => {
    const site = (document: SiteDocument): Site => ({ document, pack, assets: {}, mode: 'release' })
    const contact = (document: SiteDocument): string =>
      fillPage(site(document), document.pages.contact!)
        .main.map(({ root }) => wordsOf(root))
        .join(' ')
    const said = edited(start, say('telephone', 'Give us a bell'))
    expect(contact(start)).toMatch(/Telephone/)
    for (const design of ['card', 'board', 'ways']) {
      const dressed = edited(said, { type: 'section/set', section: 'contact.contact' as SectionId, part: 'design', value: design })
      expect(contact(dressed), design).toMatch(/Give us a bell/)
    }
  })
})

test('the site’s labels are those of its designs and of the renderer, each once, and only flavoured ones are counted', () => {
  const labels = siteLabels(pack, start).map((l) => l.label)
  expect(new Set(labels).size).toBe(labels.length)
  expect(labels).toEqual(
    expect.arrayContaining(['menu', 'close', 'pages', 'pages-again', 'telephone', 'skip', 'closed', 'mon', 'page-not-found']),
  )
  expect(row(start, 'address')).toEqual({ label: 'address', value: null, placeholder: 'Workshop', plain: 'Address', leftover: true })
  expect(row(start, 'email')).toEqual({ label: 'email', value: null, placeholder: 'Email', plain: 'Email', leftover: false })
  const before = countLeftovers(pack, start)
  const after = countLeftovers(pack, edited(start, say('address', 'Yard')))
  expect([after.total, after.everyPage]).toEqual([before.total - 1, before.everyPage - 1])
  // Asked again of the same site it is the very same answer.
  expect(siteLabels(pack, start)).toBe(siteLabels(pack, start))
  expect(row(edited(start, speak('fr')), 'email')).toMatchObject({ placeholder: 'E-mail', plain: 'E-mail' })
})

test('where one design says the plain word and another more, the label is the one that says more', () => {
  const two = edited(start, { type: 'section/set', section: 'home.visit' as SectionId, part: 'design', value: 'gateway' })
  expect(row(two, 'open')).toMatchObject({ placeholder: 'The gate is open', leftover: true })
})

test('the renderer’s own words follow the language and can be said otherwise', () => {
  const german = edited(start, speak('de'), say('closed', 'Ruhetag'), say('sun', 'Sonntag'))
  expect(ownWord(german, 'skip')).toBe('Zum Inhalt')
  expect(hoursWords(german)).toMatchObject({ closed: 'Ruhetag', days: { mon: 'Mo', sun: 'Sonntag' } })
})
