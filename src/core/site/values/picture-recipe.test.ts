import * as v from 'valibot'
import { expect, test } from 'vitest'
import { random } from '../../../../tests/random'
import { parseRecipe, pictureRecipeSchema, recipeName, WHOLE, type PictureRecipe } from './picture-recipe'

const next = random(34)
const upTo = (most: number): number => Math.floor(next() * (most + 1))
const part = (): { left: number; top: number; width: number; height: number } => {
  const [left, top] = [upTo(WHOLE - 1), upTo(WHOLE - 1)]
  return { left, top, width: 1 + upTo(WHOLE - left - 1), height: 1 + upTo(WHOLE - top - 1) }
}
const some = (): PictureRecipe =>
  Object.fromEntries(
    Object.entries({
      cut: part(),
      phone: part(),
      turn: [90, 180, 270][upTo(2)],
      tilt: [-150, -1, 1, 150][upTo(3)],
      flip: true,
      exposure: [-100, -7, 1, 100][upTo(3)],
      noise: 3,
      inks: ['grey', 'brand'][upTo(1)],
    }).filter(() => next() < 0.5),
  ) as PictureRecipe

test('a recipe has one name that leads back to it, and no two share one', () => {
  const names = new Map<string, string>()
  for (let i = 0; i < 2000; i++) {
    const recipe = v.parse(pictureRecipeSchema, some())
    const name = recipeName(recipe)
    expect(parseRecipe(name)).toEqual(recipe)
    // Unreserved characters of an address alone (RFC 3986, 2.3), so that it is the same in a path, a query and a file's name.
    expect(name).toMatch(/^[A-Za-z0-9._-]*$/)
    const written = JSON.stringify(Object.entries(recipe).sort())
    expect(names.get(name) ?? written).toBe(written)
    names.set(name, written)
  }
  expect(names.size).toBeGreaterThan(1000)
})

test('the original as it is has the empty name', () => {
  expect(recipeName({})).toBe('')
  expect(parseRecipe('')).toEqual({})
})

test.each([
  'x',
  'c1.2.3',
  'c0.0.0.5',
  'c9000.0.2000.5',
  't45',
  'e0',
  'e101',
  'e1.5',
  'f_c0.0.5.5',
  'f1',
  'i.red',
  'c00.0.5.5',
  '__proto__',
])('%s is no recipe', (name) => {
  expect(parseRecipe(name)).toBeNull()
})
