/** The surfaces a section can stand on. */
export const TONES = ['paper', 'tint', 'accent', 'ink', 'picture'] as const
export type Tone = (typeof TONES)[number]

/** Whether a site is shown on dark surfaces: always, never, or as each visitor's own system asks. */
export type Dark = boolean | 'visitor'
