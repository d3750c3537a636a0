import { own } from '../../own'

/** Whether two values of JSON say the same: the order of an object's parts says nothing, and a part that is undefined is none. */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b) return true
  if (!isCompound(a) || !isCompound(b) || Array.isArray(a) !== Array.isArray(b)) return false
  const has = (of: typeof a, part: string): boolean => own(of, part) !== undefined
  return (
    Object.entries(a).every(([part, value]) => isSame(value, own(b, part))) && Object.keys(b).every((part) => !has(b, part) || has(a, part))
  )
}

function isCompound(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null
}
