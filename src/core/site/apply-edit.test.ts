import { describe, expect, test } from 'vitest'
import { getTemplate, makeDocument } from '../pack'
import { testPack } from '../../../tests/pack'
import { random } from '../../../tests/random'
import { applyEdit, arrangementOf, findSlotType, TONES, type Edit, type EditStep, type PageId, type SectionId, type SiteDocument } from '.'

const fresh = (): SiteDocument => makeDocument(getTemplate(testPack(), 'tallow'), { name: 'Client' }, {})
const heading = (text: string | null): EditStep => ({ type: 'slot/set', section: 'home.hero' as SectionId, slot: 'heading', value: text === null ? null : { type: 'text', text } })

function apply(document: SiteDocument, edit: Edit): { document: SiteDocument; inverse: Edit } {
  const applied = applyEdit(document, edit)
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied
}

/** A step to some place of the document with some value, among them values taken out again. */
function someStep(document: SiteDocument, next: () => number): EditStep {
  const page = document.pages[Math.floor(next() * document.pages.length)]!
  const section = page.sections[Math.floor(next() * page.sections.length)]!
  const word = `w${Math.floor(next() * 1000)}`
  const titled = findSlotType(section.kind, 'heading') === 'text' ? section : document.pages[0]!.sections[0]!
  const now = arrangementOf(document)
  const choices: EditStep[] = [
    { type: 'slot/set', section: titled.id, slot: 'heading', value: next() < 0.3 ? null : { type: 'text', text: word } },
    { type: 'section/set', section: section.id, part: 'tone', value: TONES[Math.floor(next() * TONES.length)]! },
    { type: 'scheme/set', scheme: next() < 0.3 ? null : `general/${word}`, dark: next() < 0.5 },
    // A section leaves, another moves to the front of its page, a page is made; the home page stays.
    { type: 'arrange', to: { ...now, pages: now.pages.map((p) => (p.id === page.id && p.sections.length > 2 ? { ...p, sections: p.sections.filter((s) => s.id !== section.id).toReversed() } : p)) } },
    { type: 'arrange', to: { ...now, pages: [...now.pages, { id: `${word}-${now.pages.length}` as PageId, from: null, segment: `${word}-${now.pages.length}`, sections: [{ id: `${word}-${now.pages.length}.a` as SectionId, kind: 'title', design: 'folio', tone: 'paper', from: null }] }] } },
    { type: 'fact/set', fact: 'phone', value: next() < 0.3 ? null : word },
    { type: 'fact/set', fact: 'address', value: { street: word, locality: '', postcode: '', country: '' } },
    { type: 'brand/set', part: 'colour', value: next() < 0.3 ? null : '#123456' },
    { type: 'page/set', page: page.id, part: 'description', value: next() < 0.3 ? null : word },
  ]
  return choices[Math.floor(next() * choices.length)]!
}

describe('an edit', () => {
  test('sets a slot and is taken back by its inverse', () => {
    const before = fresh()
    const { document, inverse } = apply(before, heading('Words'))
    expect(document.pages[0]!.sections[0]!.slots.heading).toEqual({ type: 'text', text: 'Words' })
    expect(apply(document, inverse).document).toEqual(before)
  })

  test('never changes the document it was given', () => {
    const before = fresh()
    const copy = structuredClone(before)
    apply(before, { type: 'batch', edits: [heading('A'), { type: 'fact/set', fact: 'name', value: 'B' }] })
    expect(before).toEqual(copy)
  })

  test('to a place that is gone, unknown, or of another type is refused and changes nothing', () => {
    const document = fresh()
    const refused = (edit: Edit): string => {
      const applied = applyEdit(document, edit)
      return applied.ok ? 'applied' : applied.problem.code
    }
    expect(refused({ type: 'slot/set', section: 'nowhere' as SectionId, slot: 'heading', value: null })).toBe('sectionGone')
    expect(refused({ type: 'slot/set', section: 'home.hero' as SectionId, slot: 'subtitle', value: null })).toBe('slotUnknown')
    expect(refused({ type: 'slot/set', section: 'home.hero' as SectionId, slot: 'constructor', value: null })).toBe('slotUnknown')
    expect(refused({ type: 'slot/set', section: 'home.hero' as SectionId, slot: 'picture', value: { type: 'text', text: 'x' } })).toBe('valueWrong')
    expect(refused({ type: 'fact/set', fact: 'name', value: 'n'.repeat(500) })).toBe('valueWrong')
    expect(refused({ type: 'page/set', page: 'gone' as PageId, part: 'title', value: 'x' })).toBe('pageGone')
    expect(refused({ type: 'section/set', section: 'home.hero' as SectionId, part: 'tone', value: 'mauve' })).toBe('valueWrong')
    const now = arrangementOf(document)
    expect(refused({ type: 'arrange', to: { ...now, pages: [...now.pages, now.pages[1]!] } })).toBe('idTwice')
    expect(refused({ type: 'arrange', to: { ...now, pages: now.pages.slice(1) } })).toBe('valueWrong')
    expect(refused({ type: 'batch', edits: [heading('fine'), { type: 'fact/set', fact: 'hours', value: 'always' }] })).toBe('valueWrong')
  })

  test('and its inverse leave every document as it was, for 400 seeded runs of up to twelve steps', () => {
    const next = random(7)
    let steps = 0
    for (let run = 0; run < 400; run++) {
      const start = fresh()
      let document = start
      const inverses: Edit[] = []
      for (let i = 0; i <= next() * 12; i++, steps++) {
        const edit: Edit = next() < 0.2 ? { type: 'batch', edits: [someStep(document, next), someStep(document, next)] } : someStep(document, next)
        const applied = apply(document, edit)
        document = applied.document
        inverses.unshift(applied.inverse)
      }
      for (const inverse of inverses) document = apply(document, inverse).document
      expect(document).toEqual(start)
    }
    expect(steps).toBeGreaterThan(1000)
  })
})
