/** A turn of its own for what nobody waits for, after whatever the hands want; a timer alone would wait 4 ms each time. */
export function inBackground(): Promise<void> {
  if (!('scheduler' in globalThis)) return new Promise((resolve) => setTimeout(resolve))
  return scheduler.postTask(() => undefined, { priority: 'background' })
}

/** Once what has been drawn is painted, and the hands want nothing. */
export function afterPaint(run: () => void): void {
  requestAnimationFrame(() => void inBackground().then(run))
}
