import { expect, test } from 'vitest'
import { timeLeft } from './words'

test('a time that is left is told as roughly as it is known', () => {
  const told = [0, 5_000, 5_001, 12_000, 54_999, 55_001, 61_000, 600_000].map(timeLeft)
  expect(told).toEqual([
    'a few seconds left',
    'a few seconds left',
    'about 10 seconds left',
    'about 15 seconds left',
    'about a minute left',
    'about a minute left',
    'about 2 minutes left',
    'about 10 minutes left',
  ])
})
