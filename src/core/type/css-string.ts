/**
 * Words as a string of CSS, quotation marks included (CSSOM, “serialize a string”): nothing in them ends it. `<` is escaped as well,
 * so that it cannot end the element that a style sheet stands in either.
 */
export function cssString(words: string): string {
  // oxlint-disable-next-line no-control-regex
  const safe = words.replaceAll(/[\u0000-\u001f\u007f<"\\]/g, (c) =>
    c === '\0' ? '\uFFFD' : c === '"' || c === '\\' ? `\\${c}` : `\\${c.charCodeAt(0).toString(16)} `,
  )
  return `"${safe}"`
}
