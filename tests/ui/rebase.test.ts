import { expect, test } from 'vitest'
import type { SavedRow } from '../../src/core/replies'
import { applyEdit, findSection, type Edit, type SectionId, type SiteDocument } from '../../src/core/site'
import type { PendingRow } from '../../src/ui/job/job-state'
import { applyPending } from '../../src/ui/job/rebase'
import { testSite } from '../pack'
import { edited, homeSections, setText } from '../site'

const { document: start } = testSite()
const hero = homeSections(start).find(({ kind }) => kind === 'hero')!
const set = (slot: string, text: string): Edit => setText(hero.id, slot, text)
const textOf = (document: SiteDocument, slot: string): string => {
  const value = findSection(document, hero.id)?.slots[slot]
  return value?.type === 'text' ? value.text : ''
}
const inverseOf = (document: SiteDocument, edit: Edit): Edit => {
  const applied = applyEdit(document, edit)
  if (!applied.ok) throw new Error(applied.problem.code)
  return applied.inverse
}
type Of = { readonly undoes?: string; readonly sent?: boolean; readonly gesture?: string; readonly inverse?: Edit }
const pendingRow = (id: string, edit: Edit, { undoes, sent = false, gesture = id, inverse = edit }: Of = {}): PendingRow => {
  return { id, gesture, who: 'me', undoes: undoes ?? null, edit, inverse, sent, stuck: false, adopted: false }
}
const savedRow = (id: string, revision: number, edit: Edit, inverse: Edit, undoes: string | null = null): SavedRow => {
  return { id, revision, gesture: id, who: 'other', undoes, edit, inverse }
}
const nowhere = setText('gone' as SectionId, 'heading', 'x')

test('what is pending stands on what is saved, each with an inverse that leads back', () => {
  const theirs = edited(start, set('heading', 'Theirs'))
  const { document, pending } = applyPending(
    theirs,
    [],
    [pendingRow('a', set('heading', 'Mine')), pendingRow('b', set('heading', 'Mine too'))],
  )
  expect(textOf(document, 'heading')).toBe('Mine too')
  expect(pending.map(({ stuck }) => stuck)).toEqual([false, false])
  const back = edited(document, pending[1]!.inverse)
  expect(textOf(back, 'heading')).toBe('Mine')
  expect(textOf(edited(back, pending[0]!.inverse), 'heading')).toBe('Theirs')
})

test('what does not fit any more is kept as it was, changes nothing, and nothing is reckoned from it', () => {
  const { document, pending } = applyPending(start, [], [pendingRow('a', nowhere), pendingRow('b', set('heading', 'Mine'))])
  expect(textOf(document, 'heading')).toBe('Mine')
  expect(pending.map(({ id, stuck, edit }) => [id, stuck, edit])).toEqual([
    ['a', true, nowhere],
    ['b', false, set('heading', 'Mine')],
  ])
  // Taking back what never fitted takes back nothing: it is asked for as it was.
  const undo = pendingRow('u', set('heading', 'as it was'), { undoes: 'a' })
  const taken = applyPending(start, [], [pendingRow('a', nowhere), undo])
  expect(taken.pending[1]).toMatchObject({ stuck: false, edit: undo.edit })
})

test('a taking back that was not sent is reckoned anew over what came between; one that was is as it went', () => {
  const mine = set('heading', 'Mine')
  const [before, after] = [start, edited(start, mine)]
  const saved = savedRow('mine', 1, mine, inverseOf(before, mine))
  const undo = pendingRow('u', saved.inverse, { undoes: 'mine', inverse: mine })
  const others = set('lead', 'x')
  const there = applyEdit(after, others)
  const between = there.ok ? [savedRow('others', 2, others, there.inverse)] : []
  const now = there.ok ? there.document : after
  const fresh = applyPending(now, [saved, ...between], [undo])
  expect(textOf(fresh.document, 'heading')).toBe(textOf(start, 'heading'))
  expect(fresh.pending[0]!.stuck).toBe(false)
  // What was written over the words meanwhile is not taken back with them.
  const over = set('heading', 'Over it')
  const overwritten = edited(after, over)
  const kept = applyPending(overwritten, [saved, savedRow('over', 2, over, inverseOf(after, over))], [undo])
  expect(textOf(kept.document, 'heading')).toBe('Over it')
  const sent = applyPending(overwritten, [saved, savedRow('over', 2, over, inverseOf(after, over))], [{ ...undo, sent: true }])
  expect(sent.pending[0]!.edit).toEqual(undo.edit)
})

test('what goes on in the name of a gesture that was taken back meanwhile is a gesture of its own', () => {
  const mine = set('heading', 'Mine')
  const after = edited(start, mine)
  const saved = savedRow('mine', 1, mine, inverseOf(start, mine))
  const undo = savedRow('undo', 2, saved.inverse, mine, 'mine')
  const more = pendingRow('more', set('heading', 'Mine and more'), { gesture: 'mine' })
  const { pending } = applyPending(edited(after, saved.inverse), [saved, undo], [more])
  expect(pending[0]!.gesture).toBe('more')
  expect(applyPending(after, [saved], [more]).pending[0]!.gesture).toBe('mine')
})
