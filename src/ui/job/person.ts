import { nanoid } from 'nanoid'

const KEY = 'instant-fit-person'

/** Who works here: a name for this browser's person, kept in it, so that undo takes back their own doing and not another's. */
export function thisPerson(): string {
  try {
    const known = localStorage.getItem(KEY)
    if (known) return known
    const made = nanoid(12)
    localStorage.setItem(KEY, made)
    return made
  } catch {
    return nanoid(12) // Where nothing can be kept, this tab is a person of its own.
  }
}
