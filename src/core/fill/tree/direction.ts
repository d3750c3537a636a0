/** Letters of scripts that run from right to left: Unicode’s ranges from Hebrew to Arabic Extended-A, and the presentation forms. */
export const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/

/** Words that run from right to left stand on the right, whatever the page's language. */
export function direction(words: string): Readonly<Record<string, string>> | null {
  return RIGHT_TO_LEFT.test(words) ? { dir: 'auto' } : null
}

/** Attributes of two sources together; null where neither has any. */
export function together(
  a: Readonly<Record<string, string>> | null,
  b: Readonly<Record<string, string>> | null,
): Readonly<Record<string, string>> | null {
  return a && b ? { ...a, ...b } : (a ?? b)
}
