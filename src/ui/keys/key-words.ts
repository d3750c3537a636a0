import { KEY_MAP, type KeyName } from './key-map'

const NAMES: ReadonlyMap<string, string> = new Map([
  ['ArrowUp', '↑'],
  ['ArrowDown', '↓'],
  ['ArrowLeft', '←'],
  ['ArrowRight', '→'],
  ['Escape', 'Esc'],
  ['Delete', 'Del'],
])
/** What stands on the keys of Apple’s computers. */
const APPLE: ReadonlyMap<string, string> = new Map([
  ['$mod', '⌘'],
  ['Alt', '⌥'],
  ['Shift', '⇧'],
])

/** How a key is said: `Ctrl+Z`, or `⌘Z` on Apple’s computers; the first way to press it. */
export function keyWords(name: KeyName, isApple: boolean): string {
  const [first = ''] = KEY_MAP[name].keys
  return spoken(first, isApple)
}

/** Every way to press it that differs in more than what a keyboard needs for it: arrows that belong together are said as one. */
export function allKeyWords(name: KeyName, isApple: boolean): string {
  const keys: readonly string[] = KEY_MAP[name].keys
  const arrows = keys.map((one) => one.split('+').at(-1) ?? '').filter((key) => key.startsWith('Arrow'))
  if (arrows.length > 1) {
    const [first = ''] = keys
    return [spoken(first, isApple), ...arrows.slice(1).map((key) => NAMES.get(key) ?? key)].join(' ')
  }
  // A sign that some keyboards have under Shift and others not is one key.
  const distinct = keys.filter((one) => !keys.some((other) => other !== one && one === `Shift+${other}`))
  return distinct.map((one) => spoken(one, isApple)).join(', ')
}

function spoken(keys: string, isApple: boolean): string {
  const parts = keys.split('+').map((part) => {
    if (isApple && APPLE.has(part)) return APPLE.get(part) ?? part
    if (part === '$mod') return 'Ctrl'
    const letter = /^Key([A-Z])$/.exec(part)?.[1]
    return letter ?? NAMES.get(part) ?? (/^[a-z]$/.test(part) && keys.includes('+') ? part.toUpperCase() : part)
  })
  return parts.join(isApple ? '' : '+')
}
