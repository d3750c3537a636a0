import { expect, test } from 'vitest'
import { edited, homeSections, setSlot, setText } from '../../../tests/site'
import { testSite } from '../../../tests/pack'
import { markedFromRich, parseMarked } from '../rich'
import { findSection, homePage, MAX_LABEL, MAX_PAGE_TEXT, MAX_TEXT, type SiteDocument } from '../site'
import { findWords, replaceWords, type Query } from '.'

const { pack, document: start } = testSite({ name: 'Client', phone: '01632 960111' })
const hero = homeSections(start).find(({ kind }) => kind === 'hero')!
const ask = (words: string, set: Partial<Query> = {}): Query => ({ words, isExact: false, isWhole: false, ...set })
const lead = (document: SiteDocument, marked: string): SiteDocument =>
  edited(document, setSlot(hero.id, 'lead', { type: 'rich', rich: parseMarked(marked) }))
const leadOf = (document: SiteDocument): string => {
  const value = findSection(document, hero.id)!.slots.lead
  return value?.type === 'rich' ? markedFromRich(value.rich) : ''
}
const found = (document: SiteDocument, asked: Query): readonly string[] =>
  findWords(pack, document, asked).map(({ of, before, words, after }) => `${of.name} | ${before}[${words}]${after}`)
const replaced = (document: SiteDocument, asked: Query, words: string): SiteDocument =>
  edited(document, replaceWords(findWords(pack, document, asked), words)!)

test('words are found wherever the client’s are: texts, rich text, alternative texts, page texts, facts, labels', () => {
  const full = edited(
    lead(setTexts(), 'The Mill, by **the mill** race.'),
    setSlot(hero.id, 'action', { type: 'link', label: 'Find the mill', to: { type: 'fact', fact: 'phone' } }),
    setSlot(hero.id, 'picture', { type: 'image', asset: 'tallow/stool.jpg', alt: 'The mill in snow' }),
    { type: 'page/set', page: homePage(start).id, part: 'description', value: 'A mill that mends' },
    { type: 'fact/set', fact: 'tagline', value: 'Mill & wheel' },
    { type: 'label/set', label: 'open', value: { text: 'The mill is open' } },
  )
  expect([...found(full, ask('mill'))].sort()).toEqual([
    'Client facts: Tagline | [Mill] & wheel',
    'Description | A [mill] that mends',
    'Hero: Action | Find the [mill]',
    'Hero: Heading | Old [mill]',
    'Hero: Lead | The Mill, by the [mill] race.',
    'Hero: Lead | The [Mill], by the mill race.',
    'Hero: Picture | The [mill] in snow',
    'Label: open | The [mill] is open',
  ])
  expect(found(full, ask('Mill', { isExact: true }))).toHaveLength(2)
  const after = replaced(full, ask('mill'), 'yard')
  expect(found(after, ask('mill'))).toEqual([])
  expect(found(after, ask('yard'))).toHaveLength(8)
  expect(leadOf(after)).toBe('The yard, by **the yard** race.')
})

function setTexts(): SiteDocument {
  return edited(start, setText(hero.id, 'heading', 'Old mill'))
}

test('words are found across what is set in other ways, and take the look of their first letter', () => {
  const document = lead(start, 'Ring **Sam Old**field or [Sam *Oldfield*](fact:phone) today')
  expect(found(document, ask('sam oldfield'))).toHaveLength(2)
  expect(leadOf(replaced(document, ask('Sam Oldfield'), 'Jo'))).toBe('Ring **Jo** or [Jo](fact:phone) today')
  // A chip is no letter, and stays.
  expect(leadOf(replaced(lead(start, 'a {phone} b a b'), ask('a b'), 'c'))).toBe('a {phone} b c')
})

test('whole words, capitals, letters that are printed otherwise, other scripts, and marks over letters', () => {
  const document = lead(start, 'Cafés, café. It’s “here” 5–6 Mill Street מלון')
  const words = (asked: Query): readonly string[] => findWords(pack, document, asked).map((hit) => hit.words)
  expect(words(ask('café', { isWhole: true }))).toEqual(['café'])
  expect(words(ask('cafe\u0301'))).toEqual(['Café', 'café'])
  expect(words(ask("it's"))).toEqual(['It’s'])
  expect(words(ask('"here"'))).toEqual(['“here”'])
  expect(words(ask('5-6'))).toEqual(['5–6'])
  expect(words(ask('mill  street'))).toEqual(['Mill Street'])
  expect(words(ask('מלון', { isWhole: true }))).toEqual(['מלון'])
  expect(words(ask('.*'))).toEqual([])
  expect(words(ask('   '))).toEqual([])
})

test('a hit that is left out stays as it is, and what replaces may hold what was looked for', () => {
  const document = lead(start, 'oak, oak and oak')
  const [first, , third] = findWords(pack, document, ask('oak'))
  expect(leadOf(edited(document, replaceWords([first!, third!], 'oak tree')!))).toBe('oak tree, oak and oak tree')
  expect(replaceWords([], 'x')).toBe(null)
})

test('of several hits in one line of plain words each is replaced where it stood, whatever the length of what is put in', () => {
  const document = edited(start, setText(hero.id, 'heading', 'Oak on oak, and oak'))
  const headed = (of: SiteDocument): unknown => findSection(of, hero.id)!.slots.heading
  expect(headed(replaced(document, ask('oak'), 'reclaimed elm'))).toEqual({
    type: 'text',
    text: 'reclaimed elm on reclaimed elm, and reclaimed elm',
  })
  const [first, , third] = findWords(pack, document, ask('oak'))
  expect(headed(edited(document, replaceWords([first!, third!], 'ash tree')!))).toEqual({
    type: 'text',
    text: 'ash tree on oak, and ash tree',
  })
})

test('a long sentence is cut between words on both sides', () => {
  const long = 'word '.repeat(40)
  const [hit] = findWords(pack, lead(start, `${long}needle ${long}`), ask('needle'))
  expect(hit!.before).toMatch(/^… (word ){8,12}$/)
  expect(hit!.after).toMatch(/^( word){8,12} …$/)
})

test('a sentence that just fits is whole, one letter more and it is cut; it ends at its own full stop', () => {
  const around = (text: string) => findWords(pack, edited(start, setText(hero.id, 'heading', text)), ask('needle'))[0]!
  const [fits, over] = [`${'a'.repeat(29)} ${'b'.repeat(29)} `, `${'a'.repeat(30)} ${'b'.repeat(29)} `]
  expect(around(`${fits}needle`).before).toBe(fits)
  expect(around(`${over}needle`).before).toBe(`… ${'b'.repeat(29)} `)
  expect(around(`One. ${fits.slice(1)}needle`).before).toBe(fits.slice(1))
  expect(around(`needle${fits.split('').toReversed().join('')}`).after).toBe(` ${'b'.repeat(29)} ${'a'.repeat(29)}`)
  expect(around(`needle ${'b'.repeat(29)} ${'a'.repeat(30)}`).after).toBe(` ${'b'.repeat(29)} …`)
  expect(around('A needle is 1.5 mm. It shines.').after).toBe(' is 1.5 mm.')
  expect(around('A needle? Yes').after).toBe('?')
  expect(around('A needle!').after).toBe('!')
})

test('where whole words are asked for, what begins or ends with a mark has no end there', () => {
  const words = (text: string, asked: string): number => findWords(pack, lead(start, text), ask(asked, { isWhole: true })).length
  expect([words('oaks and oak', 'oak'), words('soak', 'oak'), words('oak.', 'oak')]).toEqual([1, 0, 1])
  expect([words('a(b)c', '(b)'), words('x& co', '& co'), words('a & b', '&')]).toEqual([1, 1, 1])
  expect([words('a-b', 'a–b'), words("don't", 'don’t')]).toEqual([1, 1])
})

test('each place says what it is, where it stands, and whether its words are the template’s own', () => {
  const document = edited(start, setText(hero.id, 'heading', 'Old mill'), { type: 'fact/set', fact: 'tagline', value: 'Old hands' })
  const [heading] = findWords(pack, document, ask('old mill'))
  expect(heading!.of).toMatchObject({ page: homePage(document).id, where: 'Home', isKept: false, lines: ['Old mill'] })
  const [fact] = findWords(pack, document, ask('old hands'))
  expect(fact!.of).toMatchObject({ page: null, where: 'every page', value: null, isKept: false })
  const label = edited(document, { type: 'label/set', label: 'open', value: { text: 'old times' } })
  expect(findWords(pack, label, ask('old times'))[0]!.of).toMatchObject({ page: null, where: 'every page', isKept: false })
  expect(findWords(pack, edited(label, { type: 'label/set', label: 'shut', value: { text: '' } }), ask('Stryker'))).toEqual([])
  expect(new Set(findWords(pack, document, ask('old')).map(({ key }) => key)).size).toBe(findWords(pack, document, ask('old')).length)
})

test('what is put in stays within the room of its place', () => {
  const long = 'x'.repeat(MAX_TEXT)
  const document = edited(
    start,
    setText(hero.id, 'heading', 'An oak'),
    setSlot(hero.id, 'action', { type: 'link', label: 'See an oak', to: { type: 'fact', fact: 'phone' } }),
    setSlot(hero.id, 'picture', { type: 'image', asset: 'tallow/stool.jpg', alt: 'Some oak' }),
    { type: 'page/set', page: homePage(start).id, part: 'description', value: 'Of oak' },
    { type: 'label/set', label: 'open', value: { text: 'oak' } },
  )
  const after = replaced(document, ask('oak'), long)
  const { heading, action, picture } = findSection(after, hero.id)!.slots
  expect([heading?.type === 'text' && heading.text.length, action?.type === 'link' && action.label.length]).toEqual([MAX_TEXT, MAX_TEXT])
  expect(picture?.type === 'image' && picture.alt.length).toBe(MAX_TEXT)
  expect([homePage(after).texts.description?.text.length, after.labels.open?.text.length]).toEqual([MAX_PAGE_TEXT, MAX_LABEL])
})

test('a chip is put where words stood, in their look, and nothing is left of them', () => {
  const document = lead(start, 'Ring **us now** today')
  const edit = replaceWords(findWords(pack, document, ask('us now')), { fact: 'phone' })!
  expect(leadOf(edited(document, edit))).toBe('Ring **{phone}** today')
  const plain = edited(start, setText(hero.id, 'heading', 'Ring us'))
  const headed = findSection(edited(plain, replaceWords(findWords(pack, plain, ask('us')), { fact: 'phone' })!), hero.id)!.slots.heading
  expect(headed).toEqual({ type: 'text', text: 'Ring ' })
})
