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

/** What stands between the parts of a list: Arabic script has a comma of its own (Unicode, U+060C). */
export function commaOf(language: string): string {
  return scriptOf(language) === 'Arab' ? '،' : ','
}

const scripts = new Map<string, string>()
const MOST_KEPT = 1000

/** The script of a language as ISO 15924 names it, such as `Latn`; empty where the tag is none. Every page asks, so answers are kept. */
export function scriptOf(language: string): string {
  let script = scripts.get(language)
  if (script === undefined) {
    script = likelyScript(language)
    if (scripts.size >= MOST_KEPT) scripts.clear()
    scripts.set(language, script)
  }
  return script
}

function likelyScript(language: string): string {
  try {
    return new Intl.Locale(language).maximize().script ?? ''
  } catch {
    return ''
  }
}

/**
 * Languages that are offered to choose from, with their names in English and in themselves (CLDR, written down here because a server and
 * a browser may know different editions of it); any other can be given by its tag.
 */
export const OFFERED_LANGUAGES: readonly (readonly [tag: string, english: string, own: string])[] = [
  ['ar', 'Arabic', 'العربية'],
  ['eu', 'Basque', 'Euskara'],
  ['bg', 'Bulgarian', 'Български'],
  ['ca', 'Catalan', 'Català'],
  ['hr', 'Croatian', 'Hrvatski'],
  ['cs', 'Czech', 'Čeština'],
  ['da', 'Danish', 'Dansk'],
  ['nl', 'Dutch', 'Nederlands'],
  ['nl-BE', 'Dutch (Belgium)', 'Nederlands (België)'],
  ['en-GB', 'English (Britain)', 'English (United Kingdom)'],
  ['en-IE', 'English (Ireland)', 'English (Ireland)'],
  ['en-US', 'English (United States)', 'English (United States)'],
  ['et', 'Estonian', 'Eesti'],
  ['fi', 'Finnish', 'Suomi'],
  ['fr', 'French', 'Français'],
  ['fr-BE', 'French (Belgium)', 'Français (Belgique)'],
  ['fr-CA', 'French (Canada)', 'Français (Canada)'],
  ['fr-CH', 'French (Switzerland)', 'Français (Suisse)'],
  ['gl', 'Galician', 'Galego'],
  ['de', 'German', 'Deutsch'],
  ['de-AT', 'German (Austria)', 'Deutsch (Österreich)'],
  ['de-CH', 'German (Switzerland)', 'Deutsch (Schweiz)'],
  ['el', 'Greek', 'Ελληνικά'],
  ['he', 'Hebrew', 'עברית'],
  ['hu', 'Hungarian', 'Magyar'],
  ['is', 'Icelandic', 'Íslenska'],
  ['ga', 'Irish', 'Gaeilge'],
  ['it', 'Italian', 'Italiano'],
  ['lv', 'Latvian', 'Latviešu'],
  ['lt', 'Lithuanian', 'Lietuvių'],
  ['nb', 'Norwegian Bokmål', 'Norsk bokmål'],
  ['fa', 'Persian', 'فارسی'],
  ['pl', 'Polish', 'Polski'],
  ['pt', 'Portuguese', 'Português'],
  ['pt-BR', 'Portuguese (Brazil)', 'Português (Brasil)'],
  ['ro', 'Romanian', 'Română'],
  ['ru', 'Russian', 'Русский'],
  ['sr', 'Serbian', 'Српски'],
  ['sk', 'Slovak', 'Slovenčina'],
  ['sl', 'Slovenian', 'Slovenščina'],
  ['es', 'Spanish', 'Español'],
  ['sv', 'Swedish', 'Svenska'],
  ['tr', 'Turkish', 'Türkçe'],
  ['uk', 'Ukrainian', 'Українська'],
  ['ur', 'Urdu', 'اردو'],
  ['vi', 'Vietnamese', 'Tiếng Việt'],
  ['cy', 'Welsh', 'Cymraeg'],
]

/** A language's name in English; one that is not offered is named by its tag. */
export function languageName(language: string): string {
  return OFFERED_LANGUAGES.find(([tag]) => tag === language)?.[1] ?? language
}
