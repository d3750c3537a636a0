import { expect, test } from 'vitest'
import type { JobLine } from '../../src/core/replies'
import { daysLeft, directionOf, matchesJob, sortJobs, type Sorting } from '../../src/ui/jobs/job-line'

const line = (name: string, part: Partial<JobLine> = {}): JobLine => ({
  id: name,
  name,
  trade: '',
  leftovers: 0,
  stage: 'Content',
  liveUrl: null,
  lastReleaseAt: null,
  releaseNumber: null,
  editsSince: null,
  trouble: null,
  shelf: 'work',
  shelvedAt: null,
  workedAt: '2026-01-01T00:00:00.000Z',
  copiedAt: null,
  ...part,
})
const order = (jobs: readonly JobLine[], by: Sorting['by'], backwards = false): string[] =>
  sortJobs(jobs, { by, backwards }).map(({ name }) => name)

test('jobs are sorted by client as a person sorts names: case, accents and numbers as expected', () => {
  const jobs = ['Zwirn', 'émile', 'Emma', 'Shop 10', 'Shop 9'].map((name) => line(name))
  expect(order(jobs, 'client')).toEqual(['émile', 'Emma', 'Shop 9', 'Shop 10', 'Zwirn'])
  expect(order(jobs, 'client', true)).toEqual(['Zwirn', 'Shop 10', 'Shop 9', 'Emma', 'émile'])
})

test('a column says which way it runs', () => {
  const ways = (['client', 'leftovers', 'release', 'worked'] as const).map((by) => directionOf({ by, backwards: false }))
  expect(ways).toEqual(['ascending', 'ascending', 'descending', 'descending'])
  expect([directionOf({ by: 'client', backwards: true }), directionOf({ by: 'worked', backwards: true })]).toEqual([
    'descending',
    'ascending',
  ])
})

test('fewest leftovers first, those that cannot be counted last; equals by name', () => {
  const jobs = [line('c', { leftovers: 4 }), line('b', { leftovers: 4 }), line('x', { leftovers: null }), line('a', { leftovers: 9 })]
  expect(order(jobs, 'leftovers')).toEqual(['b', 'c', 'a', 'x'])
  expect(order([line('y', { leftovers: null }), line('x', { leftovers: null })], 'leftovers')).toEqual(['x', 'y'])
})

test('what was worked on or published last comes first, and what never was last', () => {
  const at = (day: string): string => `2026-0${day}T08:00:00.000Z`
  const jobs = [line('old', { lastReleaseAt: at('1-02') }), line('never'), line('new', { lastReleaseAt: at('3-04') })]
  expect(order(jobs, 'release')).toEqual(['new', 'old', 'never'])
  const worked = [line('old', { workedAt: at('1-02') }), line('new', { workedAt: at('3-04') })]
  expect(order(worked, 'worked')).toEqual(['new', 'old'])
  expect(order(worked, 'worked', true)).toEqual(['old', 'new'])
})

test('a job is found by any of its words, whatever their order, case and accents', () => {
  const job = line('Café Łódź & Søn', { trade: 'Coffee house', liveUrl: 'http://cafe-lodz.localhost:4311' })
  for (const wanted of ['', '  ', 'cafe', 'COFFEE café', 'lodz.local', 'house søn']) expect(matchesJob(job, wanted), wanted).toBe(true)
  for (const wanted of ['tea', 'cafe tea']) expect(matchesJob(job, wanted), wanted).toBe(false)
})

test('the days that are left in the bin are counted up, and never below none', () => {
  const at = '2026-03-01T12:00:00.000Z'
  expect(daysLeft(at, new Date('2026-03-01T12:00:00.000Z'), 30)).toBe(30)
  expect(daysLeft(at, new Date('2026-03-02T11:00:00.000Z'), 30)).toBe(30)
  expect(daysLeft(at, new Date('2026-03-30T13:00:00.000Z'), 30)).toBe(1)
  // The page was made a moment before the job was laid there.
  expect(daysLeft(at, new Date('2026-03-01T11:59:00.000Z'), 30)).toBe(30)
  expect(daysLeft(at, new Date('2026-05-01T12:00:00.000Z'), 30)).toBe(0)
})
