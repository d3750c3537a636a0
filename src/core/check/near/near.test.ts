import { LoremIpsum } from 'lorem-ipsum'
import { expect, test } from 'vitest'
import { testPack, testSite } from '../../../../tests/pack'
import { edited, homeSections, setSlot, setText } from '../../../../tests/site'
import { sectionRows } from '../../fill'
import { templateSections } from '../../pack'
import { markedFromRich, parseMarked } from '../../rich'
import { cellAt, findSection, plainWords, type EntryRef, type SiteDocument } from '../../site'
import { findNear, makeChip } from '.'

const { pack, document: start } = testSite({ name: 'Hollin & Rowe', phone: '01904 610000', email: 'ring@hollinrowe.co.uk' })
const hero = homeSections(start).find(({ kind }) => kind === 'hero')!
const lead = (marked: string, document = start): SiteDocument =>
  edited(document, setSlot(hero.id, 'lead', { type: 'rich', rich: parseMarked(marked) }))
const found = (document: SiteDocument): readonly string[] => findNear(pack, document).map(({ kind, words }) => `${kind}: ${words}`)
const inLead = (words: string): readonly string[] => found(lead(words))

test('a new site has no words of its own, and so none that are nearly leftovers', () => {
  expect(found(start)).toEqual([])
})

test('six words in a row of any template’s are found, five are anybody’s; what was kept is kept', () => {
  const texts = Object.values(pack.templates).flatMap((one) =>
    templateSections(one).flatMap(({ placeholders }) => Object.values(placeholders.slots)),
  )
  const words = texts
    .map(plainWords)
    .find((text) => /^(?:[a-z]+ ){8}/i.test(text))!
    .split(' ')
  const some = (count: number): string => words.slice(0, count).join(' ')
  expect(inLead(`Since May ${some(6)} and so on.`)).toEqual([`template: ${some(6)}`])
  expect(inLead(`Since May ${some(5)} and so on.`)).toEqual([])
  const { placeholder } = sectionRows(pack, start, hero).find(({ place }) => place.slot === 'lead')!
  expect(found(edited(start, setSlot(hero.id, 'lead', placeholder!)))).toEqual([])
})

test('the name of a template’s own business is found, unless it is the client’s', () => {
  const [, other] = Object.values(pack.templates)
  expect(inLead(`Welcome to ${other!.facts.name}.`)).toEqual([`name: ${other!.facts.name}`])
  expect(found(lead(`Welcome to ${other!.facts.name}.`, testSite({ name: `${other!.facts.name} Ltd` }).document))).toEqual([])
})

test('dummy text is found as the package that makes it makes it, every sentence of 300', () => {
  let seed = 7
  const random = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647
  const maker = new LoremIpsum({ wordsPerSentence: { min: 6, max: 14 } }, 'plain', '\n')
  maker.generator.random = random
  for (let i = 0; i < 300; i++) {
    const sentence = maker.generateSentences(1)
    expect(inLead(sentence), sentence).not.toEqual([])
  }
})

test.each(['Your text here', 'Hier steht Ihr Text.', 'Votre titre ici', 'Max Mustermann', 'Price: XXX', 'TBC'])(
  '“%s” stands for words to come',
  (words) => {
    expect(inLead(words)[0]).toMatch(/^dummy: /)
  },
)

// RFC 2606, 2 and 3; Ofcom's and NANPA's numbers for drama, from memory.
test.each([
  'ring@example.com',
  'www.shop.example',
  'host.test',
  '01632 960123',
  '+44 (0)1632 960123',
  '07700 900456',
  '(212) 555-0143',
  '020 7946 0018',
])('“%s” is kept for examples', (words) => expect(inLead(`Ask ${words} today`)).toEqual([`example: ${words.replace(/^\(/, '')}`]))

test.each([
  'office@exemplar.com',
  '01904 610123',
  '2026',
  'In 1632 960 people',
  'an example. Come',
  'Dolores sat in Magna street',
  'the latest test.',
])('“%s” is nobody’s example', (words) => expect(inLead(words)).toEqual([]))

test('no word of any template’s own is taken for dummy text or an example of another kind', () => {
  const odd = Object.values(testPack().templates).flatMap((template) =>
    templateSections(template).flatMap(({ placeholders }) =>
      Object.values(placeholders.slots).flatMap((value) =>
        inLead(plainWords(value).replaceAll(/[\\*{[\]]/g, ' ')).filter((one) => one.startsWith('dummy')),
      ),
    ),
  )
  expect(odd).toEqual([])
})

test('a link of the client’s to a page that is gone leads nowhere', () => {
  const link = edited(start, setSlot(hero.id, 'action', { type: 'link', label: 'Prices', to: { type: 'page', page: 'never' } }))
  expect(found(link)).toEqual(['nowhere: Prices'])
})

test('the client’s number and mail typed as words are found however they are written, and become chips', () => {
  const typed = lead('Ring **(01904) 610 000** or Ring@HollinRowe.co.uk. Not 01904 610001.')
  expect(found(typed)).toEqual(['typed: (01904) 610 000', 'typed: Ring@HollinRowe.co.uk'])
  const chipped = findNear(pack, typed).reduceRight(
    (at, near) => edited(at, makeChip(findNear(pack, at).find(({ kind }) => kind === near.kind)!)!),
    typed,
  )
  const value = findSection(chipped, hero.id)!.slots.lead
  expect(value?.type === 'rich' && markedFromRich(value.rich)).toBe('Ring **{phone}** or {email}. Not 01904 610001.')
  expect(makeChip(findNear(pack, edited(start, setText(hero.id, 'heading', 'Ring 01904 610000')))[0]!)).toBe(null)
})

test('a number typed into a call to act, a notice, a note, or the words of an entry becomes a chip, and the words stay', () => {
  const typed = { type: 'text', text: 'Ring 01904 610000 before ten.' } as const
  const item: EntryRef = { list: 'items', nth: 1 }
  for (const [kind, slot, entry] of [
    ['action', 'text', null],
    ['notice', 'text', null],
    ['prices', 'note', null],
    ['services', 'text', item],
    ['steps', 'text', item],
    ['team', 'text', item],
    ['contact', 'text', item],
  ] as const) {
    const section = Object.values(start.sections).find((one) => one.kind === kind)!
    const document = edited(start, setSlot(section.id, slot, typed, entry))
    const value = cellAt(edited(document, makeChip(findNear(pack, document)[0]!)!), { section: section.id, entry, slot })
    expect(value?.type === 'rich' && markedFromRich(value.rich), kind).toBe('Ring {phone} before ten.')
  }
})

test('what is kept as it is is found no more, wherever it stands, until that is taken back', () => {
  const twice = edited(lead('Ask ring@example.com'), setText(hero.id, 'heading', 'RING@example.com'))
  const [one] = findNear(pack, twice)
  const kept = edited(twice, { type: 'as-is/set', words: one!.asIs, value: true })
  expect([found(twice).length, found(kept).length]).toEqual([2, 0])
  expect(found(edited(kept, { type: 'as-is/set', words: one!.asIs, value: null }))).toHaveLength(2)
})
