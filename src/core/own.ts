/**
 * A record's own entry; a name that every object has, such as `constructor`, is a name like any other. The one way to look a name up
 * that came from anywhere but the code: the check of types holds it.
 */
export function own<T>(of: Readonly<Record<string, T>>, key: string): T | undefined {
  return Object.hasOwn(of, key) ? of[key] : undefined
}

/** A copy with one entry set, or without it when the value is null. */
export function withValue<T extends object>(of: T, key: string, value: unknown): T {
  if (value !== null) return { ...of, [key]: value }
  const { [key]: _, ...rest } = of as Record<string, unknown>
  return rest as T
}
