import type { Span } from './near'

/** The words of the passage of Cicero that dummy text is cut out of (De finibus bonorum et malorum, I, 32–33, as printers cut it). */
const CICERO = new Set(
  (
    'lorem ipsum dolor sit amet consectetur adipiscing adipisicing elit sed do eiusmod tempor incididunt ut labore et dolore magna ' +
    'aliqua enim ad minim veniam quis nostrud exercitation ullamco laboris nisi aliquip ex ea commodo consequat duis aute irure in ' +
    'reprehenderit voluptate velit esse cillum eu fugiat nulla pariatur excepteur sint occaecat cupidatat non proident sunt culpa qui ' +
    'officia deserunt mollit anim id est laborum'
  ).split(' '),
)
/** Four in a row are no sentence of anybody's. */
const RUN = 4

/** What designers and programs write where words are to come; from memory, in the languages that sites are written in here. */
const PHRASES = [
  '(?:insert|sample|dummy|placeholder) (?:text|title|heading|headline|tagline)',
  '(?:your|add|enter|write) (?:own )?(?:text|title|heading|headline|(?:company )?name|tagline|content|description)(?: goes)? here',
  'text (?:goes )?here',
  'click here to (?:edit|add)',
  'heading goes here',
  'to be (?:added|written|confirmed)',
  'xxx+',
  'tbc|tbd|todo',
  'blindtext|mustertext|platzhalter(?:text)?|hier (?:steht|kommt) (?:ihr|der) text|max mustermann|musterstraße|musterfirma',
  'faux[- ]texte|texte (?:factice|de remplissage)|votre (?:texte|titre) ici',
  'texto de (?:ejemplo|relleno|exemplo)|(?:su|tu|seu) (?:texto|título) aquí?',
  'testo (?:segnaposto|di esempio)|(?:il )?tuo testo qui',
  'voorbeeldtekst|(?:uw|jouw) tekst hier',
  'przykładowy tekst|twój tekst tutaj',
  'örnek metin|metninizi buraya',
]
const PHRASE = new RegExp(`(?<![\\p{L}\\p{N}])(?:${PHRASES.join('|')})(?![\\p{L}\\p{N}])`, 'giu')

/** Dummy words in a line. */
export function dummySpans(line: string): readonly Span[] {
  const spans: Span[] = [...line.matchAll(PHRASE)].map(({ index, 0: words }) => ({ from: index, to: index + words.length }))
  const words = [...line.matchAll(/\p{L}+/gu)]
  let start = 0
  for (let i = 0; i <= words.length; i++) {
    if (i < words.length && CICERO.has(words[i]![0].toLowerCase())) continue
    const last = words[i - 1]
    if (i - start >= RUN && last) spans.push({ from: words[start]!.index, to: last.index + last[0].length })
    start = i + 1
  }
  return spans
}
