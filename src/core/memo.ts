type Parts = readonly [of: object, ...by: unknown[]]

/**
 * A function that keeps, by the first of its parts, the answer it gave last, and gives that very answer while the other parts are the same
 * ones. Records are never changed in place, so `partsOf` names those that an answer goes by and nothing else; what the first part is let
 * go with goes too.
 */
export function memoBy<A extends readonly unknown[], R>(partsOf: (...asked: A) => Parts, make: (...asked: A) => R): (...asked: A) => R {
  const known = new WeakMap<object, { readonly parts: Parts; readonly made: R }>()
  return (...asked) => {
    const parts = partsOf(...asked)
    const before = known.get(parts[0])
    if (before !== undefined && areSame(before.parts, parts)) return before.made
    const made = make(...asked)
    known.set(parts[0], { parts, made })
    return made
  }
}

/** The same for an answer that goes by one object alone. */
export function memoOf<K extends object, R>(make: (of: K) => R): (of: K) => R {
  const known = new WeakMap<K, { readonly made: R }>()
  return (of) => {
    const before = known.get(of)
    if (before !== undefined) return before.made
    const made = make(of)
    known.set(of, { made })
    return made
  }
}

function areSame(some: Parts, others: Parts): boolean {
  if (some.length !== others.length) return false
  // Asked of every section at each key press.
  for (let i = 0; i < some.length; i++) if (some[i] !== others[i]) return false
  return true
}
