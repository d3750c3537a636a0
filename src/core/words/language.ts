/** Scripts that are written from right to left. Unicode, UAX #31, table 5 and CLDR’s script metadata; from memory. */
const RIGHT_TO_LEFT_SCRIPTS = new Set(['Adlm', 'Arab', 'Hebr', 'Mand', 'Nkoo', 'Rohg', 'Samr', 'Syrc', 'Thaa'])

export type Direction = 'ltr' | 'rtl'

/** Which way a language runs: by the script it is most likely written in, or the one its tag names (`az-Arab`). */
export function directionOf(language: string): Direction {
  return RIGHT_TO_LEFT_SCRIPTS.has(scriptOf(language)) ? 'rtl' : 'ltr'
}

/** Scripts whose letters join: space set between them would tear words apart. */
const JOINED_SCRIPTS = new Set(['Adlm', 'Arab', 'Mand', 'Mong', 'Nkoo', 'Rohg', 'Syrc'])

/** Whether the letters of a language's script join. */
export function isJoined(language: string): boolean {
  return JOINED_SCRIPTS.has(scriptOf(language))
}

/** The script of a language as ISO 15924 names it, such as `Latn`; empty where the tag is none. */
export function scriptOf(language: string): string {
  try {
    return new Intl.Locale(language).maximize().script ?? ''
  } catch {
    return ''
  }
}

/** A language's name: in another language, by default in itself. */
export function languageName(language: string, inLanguage: string = language): string {
  try {
    return new Intl.DisplayNames([inLanguage], { type: 'language', fallback: 'code' }).of(language) ?? language
  } catch {
    return language
  }
}

/** Languages that are offered to choose from; any other can be given by its tag. */
export const OFFERED_LANGUAGES = [
  'ar',
  'bg',
  'ca',
  'cs',
  'cy',
  'da',
  'de',
  'de-AT',
  'de-CH',
  'el',
  'en-GB',
  'en-IE',
  'en-US',
  'es',
  'et',
  'eu',
  'fa',
  'fi',
  'fr',
  'fr-BE',
  'fr-CA',
  'fr-CH',
  'ga',
  'gl',
  'he',
  'hr',
  'hu',
  'is',
  'it',
  'lt',
  'lv',
  'nb',
  'nl',
  'nl-BE',
  'pl',
  'pt',
  'pt-BR',
  'ro',
  'ru',
  'sk',
  'sl',
  'sr',
  'sv',
  'tr',
  'uk',
  'ur',
  'vi',
] as const
