import { expect, test } from 'vitest'
import { testSite } from '../../../../tests/pack'
import { edited, setSlot } from '../../../../tests/site'
import { sectionsIn, type SectionId, type SiteDocument } from '..'
import { readDocument } from '.'

const start = testSite({ name: 'Client' }).document
const [footer] = sectionsIn(start, { type: 'footer' })
const said = (text: string) => ({ type: 'rich', rich: [{ type: 'p', runs: [{ text }] }] })

test('plain words in a place that takes rich ones today are read as a paragraph, from a document and from the log', () => {
  const words = { type: 'text', text: 'Wren Ltd, registered in Eastholm' } as const
  const stored = JSON.parse(JSON.stringify(start)) as { sections: Record<string, { slots: Record<string, unknown> }> }
  stored.sections[footer!.id]!.slots = { legal: words, closing: { type: 'text', text: 'Good night' } }
  const read: SiteDocument = readDocument(stored)
  expect(read.sections[footer!.id]!.slots).toEqual({ legal: said(words.text), closing: { type: 'text', text: 'Good night' } })
  const replayed = edited(start, setSlot(footer!.id, 'legal', { ...words, draft: true }))
  expect(replayed.sections[footer!.id]!.slots.legal).toEqual({ ...said(words.text), draft: true })
  const copied = { ...footer!, id: 'copy' as SectionId, slots: { legal: words } }
  expect(edited(start, { type: 'section/insert', section: copied }).sections.copy!.slots.legal).toEqual(said(words.text))
})

test('what is as places take it is the very same', () => {
  const document = edited(start, setSlot('home.hero', 'heading', { type: 'text', text: 'Chairs' }))
  expect(readDocument(JSON.parse(JSON.stringify(document)))).toEqual(document)
})
