import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { random } from '../../../tests/random'
import { applyEdit, EMPTY_STACKS, joinEdits, pushRow, toUndoStacks, type Edit, type LogRow, type SectionId, type SiteDocument } from '.'

const type = (text: string, slot = 'heading'): Edit => ({ type: 'slot/set', section: 'home.hero' as SectionId, slot, value: { type: 'text', text } })

class Log {
  rows: LogRow[] = []
  constructor(public document: SiteDocument) {}
  do(edit: Edit, group: string, mark: LogRow['mark'] = 'do'): void {
    const applied = applyEdit(this.document, edit)
    if (!applied.ok) throw new Error(applied.problem.code)
    this.document = applied.document
    this.rows.push({ id: `r${this.rows.length}`, edit, inverse: applied.inverse, group, mark })
  }
  step(mark: 'undo' | 'redo'): boolean {
    const top = toUndoStacks(this.rows)[mark].at(-1)
    if (top) this.do(top.edit, top.group, mark)
    return top !== undefined
  }
}

const start = (): SiteDocument => testSite({ name: 'Undo' }).document

test('typing in one slot is taken back in one step, and done again in one', () => {
  const log = new Log(start())
  const before = log.document
  for (const text of ['B', 'Be', 'Bes', 'Best']) log.do(type(text), 'g1')
  log.do(type('By the door', 'caption'), 'g2')
  const after = log.document
  log.step('undo')
  log.step('undo')
  expect(log.document).toEqual(before)
  expect(toUndoStacks(log.rows).undo).toEqual([])
  log.step('redo')
  log.step('redo')
  expect(log.document).toEqual(after)
})

test('something new after an undo leaves nothing to do again', () => {
  const log = new Log(start())
  log.do(type('One'), 'a')
  log.step('undo')
  log.do(type('Two'), 'b')
  expect(toUndoStacks(log.rows).redo).toEqual([])
})

test('two sets of one place join into the last, in the order of the places', () => {
  expect(joinEdits(type('first'), type('second'))).toEqual(type('second'))
  expect(joinEdits(type('a'), type('b', 'caption'))).toEqual({ type: 'batch', edits: [type('a'), type('b', 'caption')] })
})

test('the stacks are the same whether the log is read row by row or at once', () => {
  const log = new Log(start())
  const next = random(11)
  for (let i = 0; i < 200; i++) {
    const dice = next()
    if (dice < 0.25) log.step('undo')
    else if (dice < 0.4) log.step('redo')
    else log.do(type(`t${i}`, dice < 0.7 ? 'heading' : 'caption'), `g${Math.floor(i / 3)}`)
  }
  let stacks = EMPTY_STACKS
  for (const row of log.rows) stacks = pushRow(stacks, row)
  expect(stacks).toEqual(toUndoStacks(log.rows))
  expect(log.rows.length).toBeGreaterThan(150)
})

test('undoing everything from any point of a seeded log gives back the first document', () => {
  const next = random(23)
  for (let run = 0; run < 60; run++) {
    const log = new Log(start())
    const before = log.document
    for (let i = 0; i < 25; i++) {
      const dice = next()
      if (dice < 0.2) log.step('undo')
      else if (dice < 0.3) log.step('redo')
      else log.do(type(`t${i}`, dice < 0.65 ? 'heading' : 'caption'), `g${Math.floor(next() * 40)}`)
    }
    while (log.step('undo'));
    expect(log.document).toEqual(before)
  }
})
