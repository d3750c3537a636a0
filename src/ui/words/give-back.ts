import { flushSync } from 'react-dom'

/**
 * Closes a list and gives the hand back at once, while the key that chose from it is still down. The kit does it a moment later: what is
 * typed meanwhile would be lost.
 */
export function giveBack(close: () => void, handTo: () => void): void {
  flushSync(close)
  handTo()
}
