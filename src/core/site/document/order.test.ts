import { expect, test } from 'vitest'
import { random } from '../../../../tests/random'
import { byRank, rankBetween, ranks, ranksInOrder, standingIn, withoutRecord, withRecord, type Table } from '..'

type One = { readonly id: string; readonly place: string; readonly rank: string }
const placeOf = (one: One): string => one.place

test('a table made from another holds every record, in the order that would be reckoned anew, and leaves the other as it was', () => {
  const next = random(5)
  let table: Table<One> = {}
  const records = new Map<string, One>()
  let moves = 0
  for (let i = 0; i < 400; i++) {
    standingIn(table, placeOf, 'a')
    const ids = Object.keys(table)
    const id = next() < 0.4 ? `n${i}` : (ids[Math.floor(next() * ids.length)] ?? 'n')
    const place = next() < 0.5 ? 'a' : 'b'
    const there = standingIn(table, placeOf, place).filter((one) => one.id !== id)
    const at = Math.floor(next() * (there.length + 1))
    const rank = rankBetween(there[at - 1]?.rank ?? null, there[at]?.rank ?? null)
    const isGone = next() < 0.15 && ids.length > 5
    const before = { ...table }
    const from = table
    table = isGone ? withoutRecord(from, id, placeOf) : withRecord(from, { id, place, rank }, placeOf)
    if (isGone) records.delete(id)
    else records.set(id, { id, place, rank })
    expect(from).toEqual(before)
    expect(table).toEqual(Object.fromEntries(records))
    moves++
    for (const where of ['a', 'b']) {
      const anew = Object.values(table)
        .filter((one) => one.place === where)
        .sort(byRank)
      expect(standingIn(table, placeOf, where)).toEqual(anew)
    }
  }
  expect(moves).toBe(400)
})

test('records of one rank stand by their ids, for everyone alike', () => {
  const one = { id: 'x', place: 'a', rank: 'a0' }
  const other = { id: 'b', place: 'a', rank: 'a0' }
  expect(standingIn({ x: one, b: other }, placeOf, 'a').map((r) => r.id)).toEqual(['b', 'x'])
  expect(rankBetween('a0', 'a0') > 'a0').toBe(true)
  expect(rankBetween('a1', 'a0') > 'a1').toBe(true)
  expect(rankBetween(null, 'a0') < 'a0').toBe(true)
  expect(rankBetween('a0', null) > 'a0').toBe(true)
  expect(rankBetween(null, null)).toBe('a0')
  expect([one, other].map((a) => [one, other].map((b) => byRank(a, b)))).toEqual([
    [0, 1],
    [-1, 0],
  ])
})

test('a change in one place leaves the row of every other place the very same', () => {
  const table = { x: { id: 'x', place: 'a', rank: 'a0' }, y: { id: 'y', place: 'b', rank: 'a0' } }
  const before = standingIn(table, placeOf, 'b')
  const next = withRecord(table, { id: 'z', place: 'a', rank: 'a1' }, placeOf)
  expect(standingIn(next, placeOf, 'b')).toBe(before)
  expect(standingIn(next, placeOf, 'a')).not.toBe(standingIn(table, placeOf, 'a'))
  const emptied = withoutRecord(next, 'y', placeOf)
  expect(standingIn(emptied, placeOf, 'b')).toBe(standingIn(emptied, placeOf, 'nowhere'))
})

test('what is to stand in a new order keeps as many ranks as it can', () => {
  const [a, b, c, d] = ranks(4) as [string, string, string, string]
  const moved = ranksInOrder([d, a, b, c])
  expect(moved.slice(1)).toEqual([a, b, c])
  expect(moved[0]! < a).toBe(true)
  expect(ranksInOrder([a, null, b])[1]! > a).toBe(true)
  expect(ranksInOrder([])).toEqual([])
  expect(ranksInOrder([a, b, c, d])).toEqual([a, b, c, d])
  expect(ranksInOrder([a, c, b, d]).filter((rank, i) => rank === [a, c, b, d][i])).toHaveLength(3)
  // Two that came by one rank at once: one of them keeps it.
  const twins = ranksInOrder([a, a])
  expect(twins).toContain(a)
  expect(twins[0]! < twins[1]!).toBe(true)
  const next = random(9)
  for (let run = 0; run < 50; run++) {
    const shuffled = ranks(12)
      .map((rank) => (next() < 0.2 ? null : rank))
      .sort(() => next() - 0.5)
    const settled = ranksInOrder(shuffled)
    expect(settled).toEqual([...settled].sort())
    expect(new Set(settled).size).toBe(12)
  }
})
