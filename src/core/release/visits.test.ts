import { expect, test } from 'vitest'
import { summarizeVisits } from './visits'

const day = (at: string, pages: Record<string, number>, referrers: Record<string, number> = {}, robots = 0) => ({
  day: at,
  pages,
  referrers,
  robots,
})

test('days that nobody came on are days too, in a leap year and over the end of one', () => {
  const { days, seen } = summarizeVisits([day('2028-02-29', { '/': 2 }), day('2028-03-01', { '/': 1, '/about/': 3 })], '2028-03-02', 4)
  expect(days).toEqual([
    { day: '2028-02-28', seen: 0, robots: 0 },
    { day: '2028-02-29', seen: 2, robots: 0 },
    { day: '2028-03-01', seen: 4, robots: 0 },
    { day: '2028-03-02', seen: 0, robots: 0 },
  ])
  expect(seen).toBe(6)
  expect(summarizeVisits([], '2027-01-01', 2).days.map((one) => one.day)).toEqual(['2026-12-31', '2027-01-01'])
})

test('what was counted at several addresses is one site; what is before the span is left out', () => {
  const { pages, referrers, robots, seen } = summarizeVisits(
    [
      day('2026-11-27', { '/': 1 }, { 'a.example': 1 }, 4),
      day('2026-11-27', { '/': 2, '/about/': 5 }, { 'b.example': 1 }, 1),
      day('2026-10-01', { '/': 100 }, {}, 100),
    ],
    '2026-11-28',
    30,
  )
  expect([seen, robots]).toEqual([8, 5])
  expect(pages).toEqual([
    { name: '/about/', count: 5 },
    { name: '/', count: 3 },
  ])
  expect(referrers.map(({ name }) => name)).toEqual(['a.example', 'b.example'])
})
