/** A type family shipped with the application, all under the SIL Open Font Licence 1.1. */
export type FontFile = { readonly package: string; readonly file: string; readonly weight: string; readonly style: 'normal' | 'italic' }
export type Family = { readonly name: string; readonly fallback: string; readonly files: readonly FontFile[] }

const file = (pack: string, name: string, weight: string, style: 'normal' | 'italic' = 'normal'): FontFile => ({ package: pack, file: `${name}-${style}.woff2`, weight, style })
const alegreyaSans = (weight: string, style: 'normal' | 'italic'): FontFile => file('@fontsource/alegreya-sans', `alegreya-sans-latin-${weight}`, weight, style)
const variable = (family: string, weight: string, style: 'normal' | 'italic' = 'normal'): FontFile => file(`@fontsource-variable/${family}`, `${family}-latin-wght`, weight, style)

/** Families by the key that templates name them with. */
export const FAMILIES: Readonly<Record<string, Family>> = {
  vollkorn: { name: 'Vollkorn', fallback: 'Georgia, "Times New Roman", serif', files: [variable('vollkorn', '400 900'), variable('vollkorn', '400 900', 'italic')] },
  'alegreya-sans': {
    name: 'Alegreya Sans', fallback: 'Candara, "Trebuchet MS", sans-serif',
    files: [alegreyaSans('400', 'normal'), alegreyaSans('400', 'italic'), alegreyaSans('700', 'normal')],
  },
  'nunito-sans': {
    name: 'Nunito Sans', fallback: '"Segoe UI", "Trebuchet MS", sans-serif',
    files: [variable('nunito-sans', '200 1000'), variable('nunito-sans', '200 1000', 'italic')],
  },
  'bricolage-grotesque': { name: 'Bricolage Grotesque', fallback: '"Arial Black", Arial, sans-serif', files: [variable('bricolage-grotesque', '200 800')] },
  'eb-garamond': {
    name: 'EB Garamond', fallback: 'Garamond, Georgia, serif',
    files: [variable('eb-garamond', '400 800'), variable('eb-garamond', '400 800', 'italic')],
  },
  'barlow-condensed': { name: 'Barlow Condensed', fallback: '"Arial Narrow", Impact, sans-serif', files: [file('@fontsource/barlow-condensed', 'barlow-condensed-latin-700', '700')] },
  'public-sans': {
    name: 'Public Sans', fallback: 'Arial, Helvetica, sans-serif',
    files: [variable('public-sans', '100 900'), variable('public-sans', '100 900', 'italic')],
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
