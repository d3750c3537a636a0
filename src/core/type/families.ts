/** A type family shipped with the application, all under the SIL Open Font Licence 1.1. */
export type FontFile = { readonly package: string; readonly file: string; readonly weight: string; readonly style: 'normal' | 'italic' }
export type Family = { readonly name: string; readonly fallback: string; readonly files: readonly FontFile[] }

const alegreyaSans = (weight: string, style: 'normal' | 'italic'): FontFile => ({
  package: '@fontsource/alegreya-sans', file: `alegreya-sans-latin-${weight}-${style}.woff2`, weight, style,
})
const vollkorn = (style: 'normal' | 'italic'): FontFile => ({
  package: '@fontsource-variable/vollkorn', file: `vollkorn-latin-wght-${style}.woff2`, weight: '400 900', style,
})

/** Families by the key that templates name them with. */
export const FAMILIES: Readonly<Record<string, Family>> = {
  vollkorn: { name: 'Vollkorn', fallback: 'Georgia, "Times New Roman", serif', files: [vollkorn('normal'), vollkorn('italic')] },
  'alegreya-sans': {
    name: 'Alegreya Sans', fallback: 'Candara, "Trebuchet MS", sans-serif',
    files: [alegreyaSans('400', 'normal'), alegreyaSans('400', 'italic'), alegreyaSans('700', 'normal')],
  },
}

export function getFamily(key: string): Family {
  const family = FAMILIES[key]
  if (!family) throw new Error(`No type family ${key}`)
  return family
}

/** A font file as the page's CSS names it: its address and the letters it holds. */
export type FontFace = { readonly family: string; readonly url: string; readonly weight: string; readonly style: string }

export function fontFaceCss(faces: readonly FontFace[]): string {
  return faces.map((f) =>
    `@font-face{font-family:"${f.family}";src:url("${f.url}") format("woff2");font-weight:${f.weight};font-style:${f.style};font-display:swap}`).join('\n')
}
