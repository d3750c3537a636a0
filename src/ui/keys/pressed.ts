import { matchKeyBindingPress, parseKeybinding, type KeyBindingPress } from 'tinykeys'
import { KEY_MAP, type KeyName } from './key-map'

/** What handlers are given: by the browser, or by React. */
type Press = Pick<KeyboardEvent, 'key' | 'code' | 'getModifierState'>

const parsed = new Map<KeyName, readonly KeyBindingPress[]>()

/** Whether an event is the pressing of a key of ours. */
export function isPressed(event: Press, name: KeyName): boolean {
  let presses = parsed.get(name)
  if (!presses) parsed.set(name, (presses = KEY_MAP[name].keys.flatMap((keys) => parseKeybinding(keys))))
  return presses.some((press) => matchKeyBindingPress(event as KeyboardEvent, press))
}

/** Which of some keys is pressed. */
export function keyPressed<N extends KeyName>(event: Press, names: readonly N[]): N | null {
  return names.find((name) => isPressed(event, name)) ?? null
}

/** Whether somebody types where an event comes from, so that a letter is a letter. */
export function isTyping({ target }: Pick<Event, 'target'>): boolean {
  return (target as Element | null)?.closest?.('input, textarea, select, [contenteditable], [role="menu"]') != null
}
