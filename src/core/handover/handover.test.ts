import { describe, expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'
import { WORDS } from '../words'
import { CARE_WORDS, handsApart, namedFiles, renderCareSheet, type CareNotes } from '.'

const NOTES: CareNotes = {
  madeAt: '2026-11-28T09:00:00.000Z',
  live: { url: 'https://tolliver.example', since: '2026-03-02T10:00:00.000Z' },
  places: [
    { name: null, connection: 'host.example', url: 'https://tolliver.example' },
    { name: 'Server <of> the client', connection: 'tolliver@files.example:22 public_html', url: 'https://old.example' },
  ],
  domain: {
    shown: 'tolliver.example',
    certificateUntil: '2027-01-05T00:00:00.000Z',
    records: [{ role: 'leads', name: 'tolliver.example', type: 'A', values: ['192.0.2.1', '192.0.2.2'], why: '', instead: null }],
  },
  by: { name: 'Mara “Q” <Quill>', email: 'mara@quill.example' },
  fonts: ['Vollkorn'],
  licences: 'site/fonts/licences.txt',
}
const inLanguage = (language: string) => {
  const site = testSite({ name: 'Tolliver & Wren', phone: '01632 960417' })
  return { ...site, document: edited(site.document, { type: 'fact/set', fact: 'language', value: language }) }
}

describe('the words of care sheets', () => {
  test('are there in every language that a site can say its own words in', () => {
    expect(Object.keys(CARE_WORDS).sort()).toEqual(Object.keys(WORDS).sort())
  })

  test('have the same places for what is put into them, in every language', () => {
    const places = (words: object): string =>
      JSON.stringify(Object.entries(words).map(([key, text]) => [key, String(text).match(/\{\w+\}/g)]))
    for (const [language, words] of Object.entries(CARE_WORDS)) {
      expect(places(words), language).toBe(places(CARE_WORDS.en!))
      for (const text of Object.values(words)) expect(text.trim().length, language).toBeGreaterThan(2)
    }
  })
})

describe('a care sheet', () => {
  test('says where the site is, whom to ask, what was set, and escapes what people have typed', () => {
    const html = renderCareSheet(inLanguage('en-GB'), NOTES)
    for (const words of [
      '<title>Care sheet: Tolliver &amp; Wren</title>',
      'href="https://tolliver.example"',
      'Live since 2 March 2026',
      'Mara “Q” &lt;Quill&gt; made your website',
      'mailto:mara@quill.example',
      'Server &lt;of&gt; the client',
      'tolliver@files.example:22 public_html',
      '192.0.2.2',
      'ends on 5 January 2027',
      '01632 960417',
      'site/fonts/licences.txt',
    ])
      expect(html).toContain(words)
  })

  test('is in the site’s language and runs its way; in English where there are no words of that', () => {
    expect(renderCareSheet(inLanguage('de-AT'), NOTES)).toContain('<html lang="de-AT" dir="ltr">')
    expect(renderCareSheet(inLanguage('de-AT'), NOTES)).toContain('Online seit 2. März 2026')
    expect(renderCareSheet(inLanguage('ar'), NOTES)).toContain('<html lang="ar" dir="rtl">')
    expect(renderCareSheet(inLanguage('fi'), NOTES)).toContain('<html lang="en" dir="ltr">')
  })

  test('lets what people typed run its own way where the sheet runs the other: an address may begin with a number', () => {
    const site = inLanguage('ar')
    const address = { street: '11 Harrow Lane', locality: 'Eastmere', postcode: 'EM3 1LD', country: 'GB' }
    const document = edited(site.document, { type: 'fact/set', fact: 'address', value: address })
    const html = renderCareSheet({ ...site, document }, NOTES)
    expect(html).toContain('<dd><bdi>11 Harrow Lane')
    expect(html).toContain('<bdi>Server &lt;of&gt; the client</bdi>')
    // UAX #9, 2.4.2: a first strong isolate, ended by its pop.
    expect(html).toContain('\u2068Tolliver &amp; Wren\u2069')
    expect(renderCareSheet(inLanguage('en'), NOTES)).not.toMatch(/[\u2066-\u2069]/)
  })

  test('of a site that is live nowhere names no place and no file that is not there', () => {
    const html = renderCareSheet(inLanguage('en'), { ...NOTES, live: null, places: [], domain: null, licences: null })
    expect(html).not.toContain('site/')
    expect(html).not.toContain('Where it is')
    expect(html).toContain('project/')
  })
})

test('hands are told apart as they travel, and are nobody’s name', () => {
  const apart = handsApart()
  const hands = ['person:a', null, 'person:b', 'instant-fit', 'person:a', 'a-browser'].map(apart)
  expect(hands).toEqual(['person:elsewhere-1', null, 'person:elsewhere-2', 'instant-fit', 'person:elsewhere-1', null])
})

test('files and fonts that documents name are found, each once', () => {
  const hash = 'a1'.repeat(32)
  const font = `own-${'0f'.repeat(10)}.woff2`
  const texts = [`{"to":{"type":"file","hash":"${hash}","bytes":3}}`, `{"fonts":[{"file":"${font}"}],"hash":"${hash}"}`]
  expect(namedFiles(texts)).toEqual({ files: [hash], fonts: [font] })
})
