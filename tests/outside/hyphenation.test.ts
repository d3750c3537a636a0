import { readFileSync } from 'node:fs'
import Hypher from 'hypher'
import british from 'hyphenation.en-gb'
import french from 'hyphenation.fr'
import german from 'hyphenation.de'
import { expect, test } from 'vitest'
import { loadHyphenation } from '../../src/core/lines'
import { projectFolder } from '../../src/server/files/data-folder'

const SOFT = '\u00ad'
const GERMAN =
  'Physiotherapie Kieferorthopädie Fachzahnarztpraxis Heizungsbauer Sanitärinstallation Elektroinstallateur Gartengestaltung ' +
  'Baumschule Lymphdrainage Krankengymnastik Rückenschule Polsterwerkstatt Uhrmachermeister Restaurierung Schornsteinfeger ' +
  'Dachdeckerbetrieb Terminvereinbarung Öffnungszeiten Notdienst Kundenbewertungen Zahlungsbedingungen Datenschutzerklärung Impressum'
const FRENCH =
  'électricien plomberie kinésithérapeute orthodontiste restauration horlogerie tapisserie menuiserie jardinage paysagiste ' +
  'déménagement chauffagiste couverture dépannage remboursement questionnaire confidentialité consultation'

/** Words that sites are made of: for English those of the templates, of eight letters and more. */
function englishWords(): readonly string[] {
  const text = ['tallow', 'limewash', 'windrow', 'gantry'].map((name) =>
    readFileSync(projectFolder('templates', name, 'template.json'), 'utf8'),
  )
  return [...new Set(text.join(' ').match(/(?<![\p{L}-])\p{Ll}{8,}(?![\p{L}-])/gu) ?? [])]
}

/** Where a word may be divided, three letters from either end at least: before which letters. */
function places(parts: readonly string[], word: string): readonly number[] {
  let at = 0
  const found: number[] = []
  for (const part of parts) {
    at += part.length
    if (at >= 3 && word.length - at >= 3) found.push(at)
  }
  return found
}

test.each([
  ['en-GB', british, englishWords()],
  ['de', german, GERMAN.split(' ')],
  ['fr', french, FRENCH.split(' ')],
] as const)('words are divided in %s as by another reader of the TeX community’s patterns (hypher)', async (language, patterns, words) => {
  const divide = await loadHyphenation(language)
  const other = new Hypher(patterns)
  expect(words.length).toBeGreaterThan(15)
  // That package knows no hyphen less than its own margins from the ends of a word; where it has one, so have we, and nowhere else between.
  const differ = words.filter((word) => {
    const ours = places(divide!(word).split(SOFT), word)
    const theirs = places(other.hyphenate(word), word)
    return ours.filter((at) => word.length - at > 3).join() !== theirs.filter((at) => word.length - at > 3).join()
  })
  expect(differ.length / words.length, differ.join(' ')).toBeLessThan(0.02)
})

test('words are divided in most languages that are offered, and left whole in those without patterns', async () => {
  expect((await loadHyphenation('de-CH'))?.('Fachzahnarztpraxis').split(SOFT)).toEqual(['Fach', 'zahn', 'arzt', 'pra', 'xis'])
  expect((await loadHyphenation('en-US'))?.('hyphenation').split(SOFT)).toEqual(['hyphen', 'ation'])
  expect(await loadHyphenation('vi')).toBeNull()
  expect(await loadHyphenation('constructor')).toBeNull()
})
