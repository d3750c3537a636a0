declare module 'wcag-contrast' {
  export function hex(a: string, b: string): number
}
