import subsetFont from 'subset-font'

/**
 * What is wanted of a font: which letters, which of its OpenType features (null for every one), and of one whose weight varies the one that
 * it is shown in, or the least and the greatest of several (null for all).
 */
export type Part = {
  readonly letters: string
  readonly features: readonly string[] | null
  readonly weights: readonly number[] | null
}

/** A font cut down to a part of it, as WOFF2. What fits letters to coarse pixels goes: of the shipped families hardly one has it. */
export function cutDown(bytes: Buffer, { letters, features, weights }: Part): Promise<Buffer> {
  return subsetFont(bytes, letters, {
    targetFormat: 'woff2',
    noHinting: true,
    ...(features ? { keepFeatures: features } : {}),
    ...(weights === null ? {} : { variationAxes: { wght: axis(weights) } }),
  })
}

function axis(weights: readonly number[]): number | { readonly min: number; readonly max: number } {
  const [min, max] = [Math.min(...weights), Math.max(...weights)]
  return min === max ? min : { min, max }
}
