declare module 'wcag-contrast' {
  export function hex(a: string, b: string): number
}

declare module 'hypher' {
  export default class Hypher {
    constructor(patterns: unknown)
    hyphenate(word: string): string[]
  }
}
declare module 'hyphenation.*' {
  const patterns: unknown
  export default patterns
}
