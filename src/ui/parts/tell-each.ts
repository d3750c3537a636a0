/**
 * Tells several listeners, apart from each other: one that fails keeps none of the others from hearing, nor whoever tells them from going
 * on. Its fault is reported as one that nobody caught.
 */
export function tellEach<A extends readonly unknown[]>(listeners: Iterable<(...told: A) => void>, ...told: A): void {
  for (const listener of listeners) apart(listener)(...told)
}

/** The same listener, which fails by itself alone. */
export function apart<A extends readonly unknown[]>(listener: (...told: A) => void): (...told: A) => void {
  return (...told) => {
    try {
      listener(...told)
    } catch (error) {
      report(error)
    }
  }
}

/** Reports a fault of our own as one that nobody caught (HTML, “report an exception”), or on the console where there is no window. */
export function report(error: unknown): void {
  if (typeof reportError === 'function') reportError(error)
  else console.error(error)
}
