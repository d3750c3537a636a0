import { hoursWords, pageTexts, type Site } from '../fill'
import type { WantedRecord } from '../domain'
import { own } from '../own'
import { pagePath } from '../pages'
import { attribute, escapeText } from '../render'
import { addressLine, factsGiven, shownPages, siteLanguage, toHoursRows } from '../site'
import { directionOf, plainWord, wordsLanguage } from '../words'
import { CARE_WORDS, type CareWord } from './care-words'

/** What a care sheet tells beside what the site itself says; times as ISO 8601. */
export type CareNotes = {
  readonly madeAt: string
  /** Where visitors find the site; null while it is live nowhere. */
  readonly live: { readonly url: string; readonly since: string } | null
  /** Each place that the site goes to: how it is reached, without what lets anybody in. `name` null: our own web host. */
  readonly places: readonly { readonly name: string | null; readonly connection: string | null; readonly url: string | null }[]
  readonly domain: { readonly shown: string; readonly certificateUntil: string | null; readonly records: readonly WantedRecord[] } | null
  readonly by: { readonly name: string; readonly email: string }
  readonly fonts: readonly string[]
  /** Where the licences of the fonts are, beside the sheet; null where the site does not lie there. */
  readonly licences: string | null
}

/** The language that a sheet is written in: the site's as it is told there, or English where plain words are not there in that. */
function sheetLanguage({ document }: Site): string {
  const language = siteLanguage(document)
  const words = wordsLanguage(language)
  return language.split('-')[0] === words ? language : words
}

/** A page for the client, on paper or on a screen: what the site is made of, where it is, whom to ask. It needs nothing else to be read. */
export function renderCareSheet(site: Site, notes: CareNotes): string {
  const language = sheetLanguage(site)
  const say = sayer(language)
  const facts = factsGiven(site.document)
  const title = say('title', { name: facts.name ?? '' }, false)
  const dir = directionOf(language)
  return (
    `<!doctype html>\n<html${attribute('lang', language)}${attribute('dir', dir)}><head><meta charset="utf-8">` +
    `<meta name="viewport" content="width=device-width, initial-scale=1"><meta name="robots" content="noindex">` +
    `<title>${escapeText(title)}</title><style>${STYLE}</style></head><body><header><h1>${escapeText(title)}</h1>` +
    `<p>${say('intro')}</p></header><main>${[
      whereItIs(say, notes),
      section(say('ask'), `<p>${say('askThem', { who: notes.by.name })}</p><p>${mailTo(notes.by.email)}</p>`),
      whatWasSet(say, notes),
      whatItSays(say, site, language),
      section(
        say('beside'),
        `<dl>${notes.licences === null ? '' : row(code('site/'), say('siteFolder'))}${row(code('project/'), say('projectFolder'))}</dl>`,
      ),
      section(say('gone'), `<p>${say('goneWords')}</p>`),
      notes.fonts.length === 0
        ? ''
        : section(
            say('fonts'),
            `<p>${notes.fonts.map(escapeText).join(' · ')}</p>` +
              (notes.licences === null ? '' : `<p>${say('licences', { file: notes.licences })}</p>`),
          ),
    ].join('')}</main><footer>${say('made', { day: notes.madeAt })}</footer></body></html>\n`
  )
}

type Say = (word: CareWord, put?: Readonly<Record<string, string>>, escaped?: boolean) => string

/** Says a word of the sheet, as HTML unless told otherwise; days are said as the language writes them. */
function sayer(language: string): Say {
  const words = own(CARE_WORDS, wordsLanguage(language))
  const days = new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' })
  // First strong isolate, as a page's title can have it too (UAX #9, 2.4.2).
  const isolated = (value: string): string => (directionOf(language) === 'rtl' ? `\u2068${value}\u2069` : value)
  return (word, put = {}, escaped = true) => {
    const said = (words?.[word] ?? '').replace(/\{(\w+)\}/g, (_, name: string) => {
      const value = own(put, name) ?? ''
      return name === 'day' ? days.format(new Date(value)) : isolated(value)
    })
    return escaped ? escapeText(said) : said
  }
}

function section(heading: string, html: string): string {
  return html === '' ? '' : `<section><h2>${heading}</h2>${html}</section>`
}

const row = (term: string, html: string): string => `<dt>${term}</dt><dd>${html}</dd>`
/** Words that people have typed, which run their own way: an address may begin with a number. */
const theirs = (text: string): string => `<bdi>${escapeText(text)}</bdi>`
const code = (text: string): string => `<code dir="ltr">${escapeText(text)}</code>`
const link = (url: string): string => `<a${attribute('href', url)} dir="ltr">${escapeText(url)}</a>`
const mailTo = (email: string): string => `<a${attribute('href', `mailto:${email}`)} dir="ltr">${escapeText(email)}</a>`

function whereItIs(say: Say, { live, places }: CareNotes): string {
  if (!live) return ''
  const others = places.flatMap(({ url }) => (url === null || url === live.url ? [] : [`<p>${link(url)}</p>`]))
  return section(say('where'), `<p>${link(live.url)}</p><p>${say('since', { day: live.since })}</p>${others.join('')}`)
}

function whatWasSet(say: Say, { places, domain }: CareNotes): string {
  const rows = places.map(({ name, connection, url }) =>
    row(
      name === null ? say('host') : theirs(name),
      [connection === null ? [] : code(connection), url === null ? [] : link(url)].flat().join('<br>'),
    ),
  )
  return section(say('set'), `<dl>${rows.join('')}</dl>${domain ? recordsOf(say, domain) : ''}<p>${say('secrets')}</p>`)
}

function recordsOf(say: Say, { shown, certificateUntil, records }: NonNullable<CareNotes['domain']>): string {
  const lines = records.flatMap(({ name, type, values }) =>
    values.map((value) => `<tr><td>${code(name)}</td><td>${type}</td><td>${code(value)}</td></tr>`),
  )
  const until = certificateUntil === null ? '' : `<p>${say('certificate', { day: certificateUntil })}</p>`
  return `<p>${say('records', { domain: shown })}</p><table>${lines.join('')}</table>${until}`
}

/** The client's own facts and pages, as the site says them. */
function whatItSays(say: Say, site: Site, language: string): string {
  const { phone, email, address, hours } = factsGiven(site.document)
  const plain = (label: string): string => escapeText(plainWord(language, label) ?? label)
  const hourRows = hours && toHoursRows(hours, hoursWords(site.document)).map(({ days, times }) => escapeText(`${days} ${times}`))
  const pages = shownPages(site.document).map((page) => {
    const { name } = pageTexts(site.pack, site.document, page)
    return `${theirs(name)} ${code(pagePath(site.document, page))}`
  })
  const rows = [
    phone ? row(plain('telephone'), `<bdi dir="ltr">${escapeText(phone)}</bdi>`) : '',
    email ? row(plain('email'), mailTo(email)) : '',
    address ? row(plain('address'), theirs(addressLine(address))) : '',
    hourRows ? row(plain('open'), hourRows.join('<br>')) : '',
    row(plain('pages'), pages.join('<br>')),
  ]
  return section(say('facts'), `<dl>${rows.join('')}</dl><p>${say('tell')}</p>`)
}

const STYLE = `
:root{color-scheme:light;--ink:#1d2a22;--soft:#55625a;--rule:#c9cdc4}
*{box-sizing:border-box}
body{margin:0 auto;max-width:44rem;padding:3rem 1.5rem 4rem;background:#fff;color:var(--ink);
font:1.0625rem/1.55 Georgia,"Times New Roman",serif}
header{border-bottom:3px solid var(--ink);padding-bottom:1rem;margin-bottom:.5rem}
h1{font-size:2rem;line-height:1.15;margin:0 0 .75rem;text-wrap:balance}
h2{font-size:1.125rem;line-height:1.3;margin:0 0 .5rem}
section{border-top:1px solid var(--rule);padding:1.25rem 0 .5rem;break-inside:avoid}
section:first-child{border-top:0}
p{margin:0 0 .75rem}
a{color:inherit;text-underline-offset:.2em;overflow-wrap:anywhere}
code{font:.875em/1.5 ui-monospace,Menlo,Consolas,monospace;overflow-wrap:anywhere}
dl{display:grid;grid-template-columns:minmax(6rem,11rem) 1fr;gap:.5rem 1.25rem;margin:0 0 .75rem}
dt{color:var(--soft)}dd{margin:0;min-width:0}
table{border-collapse:collapse;width:100%;margin:0 0 .75rem}
td{border-top:1px solid var(--rule);padding-block:.4rem;padding-inline:0 .75rem;vertical-align:top;text-align:start}
footer{border-top:1px solid var(--rule);padding-top:1rem;color:var(--soft)}
@media (max-width:30rem){dl{grid-template-columns:1fr;gap:0 0}dd{margin-bottom:.5rem}body{padding-top:1.5rem}}
@media print{body{padding:0;font-size:10.5pt}}
`.replaceAll('\n', '')
