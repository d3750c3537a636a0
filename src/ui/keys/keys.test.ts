import { expect, test } from 'vitest'
import { KEY_MAP, type KeyName } from './key-map'
import { allKeyWords, keyWords } from './key-words'
import { isPressed, keyPressed } from './pressed'

type Held = { readonly alt?: boolean; readonly control?: boolean; readonly shift?: boolean; readonly meta?: boolean }

/** A key as a browser tells of it (UI Events, KeyboardEvent): what it types, where it is, and what is held with it. */
function press(key: string, code: string, { alt = false, control = false, shift = false, meta = false }: Held = {}) {
  const held = new Map([
    ['Alt', alt],
    ['Control', control],
    ['Shift', shift],
    ['Meta', meta],
  ])
  return { key, code, getModifierState: (name: string) => held.get(name) ?? false } as unknown as KeyboardEvent
}

// On macOS Option types a sign with a letter (UI Events, 4.3.2: `key` is the character, with all modifiers): from memory, on the U.S.
// layout Option+K is ˚, Option+N the dead key for a tilde, Option+D ∂, Option+L ¬ and Option+V √.
test.each([
  ['keep', '˚', 'KeyK'],
  ['spare', 'Dead', 'KeyN'],
  ['designs', '∂', 'KeyD'],
  ['near', '¬', 'KeyL'],
  ['vision', '√', 'KeyV'],
] as const)('Alt with a letter is %s whatever sign it types', (name, sign, code) => {
  expect(isPressed(press(sign, code, { alt: true }), name)).toBe(true)
  expect(isPressed(press(code.slice(3).toLowerCase(), code, { alt: true }), name)).toBe(true)
  expect(isPressed(press(code.slice(3).toLowerCase(), code), name)).toBe(false)
})

test('a letter by itself is the one that is typed, wherever it stands on the keyboard', () => {
  expect(isPressed(press('a', 'KeyQ'), 'allPages')).toBe(true)
  expect(isPressed(press('q', 'KeyA'), 'allPages')).toBe(false)
  expect(isPressed(press('a', 'KeyA', { control: true }), 'allPages')).toBe(false)
  // Where the slash stands over another key, Shift belongs to it.
  expect(isPressed(press('/', 'Digit7', { shift: true }), 'goTo')).toBe(true)
})

test('undo and redo are told apart by Shift', () => {
  expect(keyPressed(press('z', 'KeyZ', { control: true }), ['undo', 'redo'])).toBe('undo')
  expect(keyPressed(press('Z', 'KeyZ', { control: true, shift: true }), ['undo', 'redo'])).toBe('redo')
  expect(keyPressed(press('y', 'KeyZ', { control: true }), ['undo', 'redo'])).toBe('redo')
  expect(keyPressed(press('z', 'KeyZ'), ['undo', 'redo'])).toBe(null)
})

test('no two keys of one place are the same, and none is one that works everywhere', () => {
  const names = Object.keys(KEY_MAP) as KeyName[]
  const keys = (name: KeyName): readonly string[] => KEY_MAP[name].keys
  const clash = names.flatMap((one, i) =>
    names
      .slice(i + 1)
      .filter((other) => KEY_MAP[one].at === KEY_MAP[other].at || KEY_MAP[one].at === 'job')
      // The list of jobs is no job.
      .filter((other) => KEY_MAP[other].at !== 'jobs' || KEY_MAP[one].at === 'jobs')
      .filter((other) => keys(one).some((key) => keys(other).includes(key)))
      .map((other) => `${one} and ${other}`),
  )
  expect(names.length).toBeGreaterThan(30)
  expect(clash).toEqual([])
})

test('keys are said as they stand on the keyboard', () => {
  expect([keyWords('keep', false), keyWords('keep', true)]).toEqual(['Alt+K', '⌥K'])
  expect([keyWords('redo', false), keyWords('redo', true)]).toEqual(['Ctrl+Shift+Z', '⌘⇧Z'])
  expect(allKeyWords('movePage', false)).toBe('Alt+↑ ↓ ← →')
  expect(allKeyWords('goTo', false)).toBe('/')
  expect(allKeyWords('empty', false)).toBe('Del, Backspace')
})
