import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { expect, test } from 'vitest'
import { Visits } from '../../src/standins/web-host/visits'

// How browsers name themselves; from memory, as they do on the day of writing.
const FIREFOX = 'Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0'
const SAFARI =
  'Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.0 Mobile/15E148 Safari/604.1'
const NOON = new Date('2026-11-28T12:00:00Z')
const folder = (): string => mkdtempSync(path.join(tmpdir(), 'instant-fit-visits-'))
const from = (headers: Record<string, string>) => ({ headers: { host: 'wren.localhost:4380', 'user-agent': FIREFOX, ...headers } })

test('pages are counted by day, with the sites that led there; moving about within the site leads nowhere', () => {
  const visits = new Visits(folder())
  visits.note('wren', '/', from({ referer: 'https://village.example/shops?who=1' }), NOON)
  visits.note('wren', '/', from({ 'user-agent': SAFARI }), NOON)
  visits.note('wren', '/about/', from({ referer: 'http://wren.localhost:4380/' }), NOON)
  visits.note('wren', '/', from({}), new Date('2026-11-29T00:00:01Z'))
  expect(visits.of('wren')).toEqual([
    { day: '2026-11-28', pages: { '/': 2, '/about/': 1 }, referrers: { 'village.example': 1 }, robots: 0 },
    { day: '2026-11-29', pages: { '/': 1 }, referrers: {}, robots: 0 },
  ])
  expect(visits.of('robin')).toEqual([])
})

test('robots are counted apart; who asks not to be counted is not, nor what is fetched ahead', () => {
  const visits = new Visits(folder())
  // User agents as their makers publish them, of crawlers and of programs; from memory.
  for (const agent of ['', 'curl/8.5.0', 'Mozilla/5.0 (compatible; SomeBot/2.1; +http://bot.example/bot.html)', 'python-requests/2.32'])
    visits.note('wren', '/', from({ 'user-agent': agent }), NOON)
  for (const headers of [{ 'sec-gpc': '1' }, { dnt: '1' }, { 'sec-purpose': 'prefetch;prerender' }, { purpose: 'prefetch' }])
    visits.note('wren', '/', from(headers), NOON)
  expect(visits.of('wren')).toEqual([{ day: '2026-11-28', pages: {}, referrers: {}, robots: 4 }])
})

test('nothing is kept of who came: no address, no browser, no hour, no query', () => {
  const where = folder()
  const visits = new Visits(where)
  visits.note('wren', '/', from({ referer: 'https://village.example/shops?who=1', 'x-forwarded-for': '192.0.2.7' }), NOON)
  visits.of('wren')
  const kept = readdirSync(path.join(where, 'wren')).map((name) => readFileSync(path.join(where, 'wren', name), 'utf8'))
  expect(kept).toEqual(['{"pages":{"/":1},"referrers":{"village.example":1},"robots":0}'])
})

test('what was counted goes on from there after a start; a day that was torn begins anew, and the others stay', () => {
  const where = folder()
  const first = new Visits(where)
  first.note('wren', '/', from({}), NOON)
  first.note('wren', '/', from({}), new Date('2026-11-27T12:00:00Z'))
  first.of('wren')
  const second = new Visits(where)
  second.note('wren', '/', from({}), NOON)
  expect(second.of('wren').map(({ pages }) => pages['/'])).toEqual([1, 2])
  writeFileSync(path.join(where, 'wren', '2026-11-28.json'), '{"pages":{"/":')
  const third = new Visits(where)
  third.note('wren', '/', from({}), NOON)
  expect(third.of('wren').map(({ pages }) => pages['/'])).toEqual([1, 1])
})

test('a thousand made-up places that somebody says he came from are not a thousand lines', () => {
  const visits = new Visits(folder())
  for (let at = 0; at < 1000; at++) visits.note('wren', '/', from({ referer: `https://spam-${at}.example/` }), NOON)
  const [day] = visits.of('wren')
  expect(Object.keys(day!.referrers).length).toBe(501)
  expect(day!.referrers['…']).toBe(500)
})
