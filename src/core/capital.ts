/** Words with a capital at their beginning. */
export function capital(words: string): string {
  return words.slice(0, 1).toLocaleUpperCase() + words.slice(1)
}
