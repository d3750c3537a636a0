const store = globalThis as typeof globalThis & { instantFitKept?: Map<string, unknown> }

/** Lets a kept value be made anew the next time it is asked for. */
export function forget(name: string): void {
  store.instantFitKept?.delete(name)
}

/** A value made once per process, though the module that makes it may be loaded several times. */
export function kept<T>(name: string, make: () => T): T {
  store.instantFitKept ??= new Map()
  if (!store.instantFitKept.has(name)) store.instantFitKept.set(name, make())
  return store.instantFitKept.get(name) as T
}
