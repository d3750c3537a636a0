import { toast } from 'sonner'

/** Long enough to read it, find the act and press it, by whatever means somebody presses (WCAG 2.2, 2.2.1: time enough). */
const TO_ACT = 20_000
const TO_READ = 12_000

/** What was said last with an act beside it. */
let last: string | number | null = null

/**
 * Says what was done, with an act beside it; it stays until somebody had the time to take it, or something else is done: one strip has room
 * for one, and an older act under it could be found by a screen reader and pressed by nobody.
 */
export function notice(words: string, label: string, onPress: () => void): void {
  if (last !== null) toast.dismiss(last)
  last = toast(words, { action: { label, onClick: onPress }, duration: TO_ACT })
}

/** Says why something was refused: a sentence to be read to its end. */
export function refusal(words: string): void {
  toast.error(words, { duration: TO_READ })
}
