import { memoBy } from '../memo'
import { own } from '../own'
import { findDesign, shownPlaces, type LabelWords, type Pack } from '../pack'
import { DAYS, looksOf, siteLanguage, type Day, type HoursWords, type Look, type SiteDocument } from '../site'
import { commaOf, isPlain, plainWord } from '../words'

/** A label as a page shows it, and whether the words are still the template's. */
export type ShownLabel = { readonly text: string; readonly leftover: boolean }

/**
 * What a label says: what the site has it say, else the design's own words where they say more than the plain word does, which
 * makes them a leftover, else the plain word in the site's language. One that was emptied says the plain word.
 */
export function shownLabel(document: SiteDocument, { label, words }: LabelWords): ShownLabel {
  const set = own(document.labels, label)
  if (set?.text) return { text: set.text, leftover: false }
  const plain = plainWord(siteLanguage(document), label)
  if (set || (plain !== null && isPlain(label, words))) return { text: plain ?? '', leftover: false }
  return { text: words, leftover: true }
}

/** A word that the renderer says of itself; the site may say it otherwise. */
export function ownWord(document: SiteDocument, label: RendererLabel | Day): string {
  return own(document.labels, label)?.text || (plainWord(siteLanguage(document), label) ?? '')
}

export type RendererLabel = 'skip' | 'page-not-found' | 'contact-card' | 'closed' | 'pages' | 'new-tab'

/** Weekdays and “closed” as the site's timetables say them. */
export function hoursWords(document: SiteDocument): HoursWords {
  return {
    closed: ownWord(document, 'closed'),
    comma: commaOf(siteLanguage(document)),
    days: Object.fromEntries(DAYS.map((day) => [day, ownWord(document, day)])) as Record<Day, string>,
  }
}

/** One row of the ledger for a label. */
export type LabelRow = {
  readonly label: string
  /** What the site has it say; null where nobody has said anything. */
  readonly value: string | null
  /** The design's words, or the plain word. */
  readonly placeholder: string
  /** The plain word in the site's language; null where there is none. */
  readonly plain: string | null
  readonly leftover: boolean
}

/** Every label that a site shows, each once: those of its designs, then the renderer's own. */
export const siteLabels = memoBy(
  (pack: Pack, document: SiteDocument) => [looksOf(document), pack, document.labels, siteLanguage(document)],
  (pack, document): readonly LabelRow[] => {
    const language = siteLanguage(document)
    return findLabels(pack, looksOf(document)).map((words): LabelRow => {
      const { label } = words
      const plain = plainWord(language, label)
      const { leftover } = shownLabel(document, words)
      const placeholder = plain !== null && isPlain(label, words.words) ? plain : words.words
      return { label, value: own(document.labels, label)?.text ?? null, placeholder, plain, leftover }
    })
  },
)

/** Where two designs say one label in different words, those that say more than the plain word stand for it. */
function findLabels(pack: Pack, looks: readonly Look[]): readonly LabelWords[] {
  const designs = looks.flatMap(({ kind, design }) => findDesign(pack, kind, design) ?? [])
  const places = designs.map(shownPlaces)
  const hasHours = places.some(({ facts }) => facts.includes('hours'))
  const own: string[] = ['skip', ...(hasHours ? ['closed', ...DAYS] : []), 'page-not-found', 'contact-card', 'new-tab']
  const found = new Map<string, LabelWords>()
  for (const words of places.flatMap(({ labels }) => labels)) {
    const one = found.get(words.label)
    if (!one || (isPlain(one.label, one.words) && !isPlain(words.label, words.words))) found.set(words.label, words)
  }
  for (const label of own) if (!found.has(label)) found.set(label, { label, words: plainWord('en', label) ?? '' })
  return [...found.values()]
}
