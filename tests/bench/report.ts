import { performance } from 'node:perf_hooks'

/** Prints one figure beside what is wanted. Nothing is asserted. */
export const line = (what: string, found: string, wanted: string): void =>
  console.log(`${what.padEnd(64)} ${found.padEnd(34)} wanted: ${wanted}`)
const at = (sorted: readonly number[], share: number): number => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0
export const percentiles = (times: readonly number[], unit = 'ms'): string => {
  const sorted = [...times].sort((a, b) => a - b)
  return `p50 ${at(sorted, 0.5).toFixed(1)}, p95 ${at(sorted, 0.95).toFixed(1)} ${unit}`
}
export const time = (work: () => void): number => {
  const start = performance.now()
  work()
  return performance.now() - start
}

export function median(of: readonly number[]): number {
  return of.toSorted((a, b) => a - b)[Math.floor(of.length / 2)] ?? 0
}
