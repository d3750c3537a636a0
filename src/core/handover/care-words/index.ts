import { ARABIC } from './ar'
import { GERMAN } from './de'
import { GREEK } from './el'
import { ENGLISH } from './en'
import { SPANISH } from './es'
import { FRENCH } from './fr'
import { HEBREW } from './he'
import { ITALIAN } from './it'
import { DUTCH } from './nl'
import { POLISH } from './pl'
import { PORTUGUESE } from './pt'
import { TURKISH } from './tr'
import { UKRAINIAN } from './uk'
import type { CareWords } from './care-word'

export type { CareWord } from './care-word'

/** The words of a care sheet by language; a file for each. */
export const CARE_WORDS: Readonly<Record<string, CareWords>> = {
  en: ENGLISH,
  de: GERMAN,
  fr: FRENCH,
  es: SPANISH,
  it: ITALIAN,
  nl: DUTCH,
  pl: POLISH,
  pt: PORTUGUESE,
  tr: TURKISH,
  ar: ARABIC,
  he: HEBREW,
  el: GREEK,
  uk: UKRAINIAN,
}
