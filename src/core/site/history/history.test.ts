import { describe, expect, test } from 'vitest'
import { testPack } from '../../../../tests/pack'
import { edited, setText } from '../../../../tests/site'
import { makeDocument } from '../../fill'
import { getTemplate } from '../../pack'
import {
  applyEdit,
  findSection,
  gestureFor,
  gesturesOf,
  redoable,
  takeBack,
  undoable,
  type Edit,
  type EntryId,
  type LogRow,
  type SectionId,
  type SiteDocument,
} from '..'

/** A log with the document it leads to, written by several hands. */
class Log {
  readonly rows: LogRow[] = []
  document: SiteDocument = makeDocument(getTemplate(testPack(), 'tallow'), {}, {})

  do(who: string | null, gesture: string, edit: Edit, undoes: string | null = null): this {
    const applied = applyEdit(this.document, edit)
    if (!applied.ok) throw new Error(JSON.stringify(applied.problem))
    this.document = applied.document
    this.rows.push({ id: `r${this.rows.length}`, gesture, who, undoes, edit, inverse: applied.inverse })
    return this
  }

  /** Takes a gesture back as a screen would; says why not. */
  undo(who: string, gesture: string): string {
    const taken = takeBack(this.document, this.rows, gesture)
    if (!taken.ok) return taken.problem
    this.do(who, `u${this.rows.length}`, taken.edit, gesture)
    return 'taken back'
  }

  next(which: typeof undoable, who: string): string | undefined {
    return which(gesturesOf(this.rows), who)[0]
  }

  heading(): unknown {
    return (findSection(this.document, 'home.hero')?.slots.heading as { text?: string } | undefined)?.text
  }
}

const heading = (text: string): Edit => setText('home.hero', 'heading', text)
const caption = (text: string): Edit => setText('home.hero', 'caption', text)
const services = 'home.services' as SectionId
const entry = { list: 'items', id: 'e1' as EntryId }
const addEntry: Edit = { type: 'entry/insert', section: services, entry, rank: 'a9', slots: {} }

describe('taking back', () => {
  test('removes the gesture with all its rows, and what another hand did since stays', () => {
    const log = new Log().do('me', 'g1', heading('W')).do('you', 'h1', caption('Yours')).do('me', 'g1', heading('Words'))
    const expected = edited(new Log().document, caption('Yours'))
    expect(log.undo('me', 'g1')).toBe('taken back')
    expect(log.document).toEqual(expected)
  })

  test('of what another hand has written over changes nothing; taking theirs back then shows what was there before both', () => {
    const log = new Log().do('me', 'g0', heading('First')).do('me', 'g1', heading('Mine')).do('you', 'h1', heading('Yours'))
    log.undo('me', 'g1')
    expect(log.heading()).toBe('Yours')
    log.undo('you', 'h1')
    expect(log.heading()).toBe('First')
  })

  test('two, older first and in between, leaves what neither of them made', () => {
    const log = new Log().do('me', 'g1', heading('One')).do('me', 'g2', heading('Two')).do('me', 'g3', caption('Three'))
    log.undo('me', 'g1')
    expect(log.heading()).toBe('Two')
    log.undo('me', 'g2')
    expect(log.heading()).toBeUndefined()
    expect(findSection(log.document, 'home.hero')!.slots.caption).toEqual({ type: 'text', text: 'Three' })
  })

  test('of a taking back brings the gesture back where it stood in the order, under what came later', () => {
    const log = new Log().do('me', 'g1', heading('One')).do('me', 'g2', heading('Two'))
    log.undo('me', 'g2')
    log.undo('me', 'g1')
    expect(log.heading()).toBeUndefined()
    log.undo('me', log.next(redoable, 'me')!)
    expect(log.heading()).toBe('One')
    log.do('you', 'h', heading('Yours'))
    log.undo('me', log.next(redoable, 'me')!)
    expect(log.heading()).toBe('Yours')
    expect(
      gesturesOf(log.rows)
        .filter((g) => g.stands && g.undoes === null)
        .map((g) => g.id),
    ).toEqual(['g1', 'g2', 'h'])
  })

  test('of what somebody has worked in since is not done, so that no words go with it', () => {
    const log = new Log().do('me', 'add', addEntry)
    log.do('you', 'fill', { type: 'slot/set', section: services, entry, slot: 'title', value: { type: 'text', text: 'Yours' } })
    expect(log.undo('me', 'add')).toBe('workedOnSince')
    expect(log.undo('you', 'fill')).toBe('taken back')
    expect(log.undo('me', 'add')).toBe('taken back')
    expect(log.document).toEqual(new Log().document)
  })

  test('of a section taken out brings its words back, and where its page is gone it is not done', () => {
    const log = new Log()
      .do('me', 'w', setText('about.title', 'heading', 'Kept words'))
      .do('me', 'rm', { type: 'section/remove', section: 'about.title' as SectionId })
    log.do('you', 'page', { type: 'page/remove', page: 'about' as never })
    expect(log.undo('me', 'rm')).toBe('taken back')
    expect(findSection(log.document, 'about.title')).toBeNull()
    expect(log.undo('you', 'page')).toBe('taken back')
    expect(findSection(log.document, 'about.title')!.slots.heading).toEqual({ type: 'text', text: 'Kept words' })
  })

  test('twice, or of what is not at hand, is told', () => {
    const log = new Log().do('me', 'g1', heading('x'))
    log.undo('me', 'g1')
    expect(log.undo('me', 'g1')).toBe('gone')
    expect(log.undo('me', 'unheard-of')).toBe('outOfReach')
  })

  test('remembers everything of it: a scheme, a dark form left to visitors, what was worn', () => {
    const log = new Log().do('me', 'a', { type: 'dress/set', part: 'dark', value: 'visitor' })
    log.do('me', 'b', {
      type: 'batch',
      edits: [
        { type: 'dress/set', part: 'dark', value: null },
        { type: 'dress/set', part: 'scheme', value: 'general/chalk' },
      ],
    })
    log.do('me', 'c', { type: 'outfit/set', template: 'gantry', value: { pages: {}, sections: [] } })
    log.undo('me', 'b')
    expect(log.document.dress).toEqual({ template: 'tallow', dark: 'visitor' })
    expect(log.document.outfits).toHaveProperty('gantry')
    log.undo('me', 'c')
    expect(log.document.outfits).toEqual({})
  })
})

describe('what undo and redo take', () => {
  test('is each person’s own, newest first; what nobody was noted for is anybody’s', () => {
    const log = new Log().do(null, 'g0', heading('Seeded')).do('me', 'g1', heading('Mine')).do('you', 'h1', caption('Yours'))
    expect(undoable(gesturesOf(log.rows), 'me')).toEqual(['g1', 'g0'])
    expect(undoable(gesturesOf(log.rows), 'you')).toEqual(['h1', 'g0'])
    log.undo('me', 'g1')
    expect(log.next(undoable, 'me')).toBe('g0')
    expect(log.next(redoable, 'you')).toBeUndefined()
    expect(log.next(redoable, 'me')).toBe('u3')
  })

  test('ends for redo with something done anew, and a redo can be undone again', () => {
    const log = new Log().do('me', 'g1', heading('One')).do('me', 'g2', heading('Two'))
    log.undo('me', 'g2')
    log.undo('me', log.next(redoable, 'me')!)
    expect(log.heading()).toBe('Two')
    expect(log.next(redoable, 'me')).toBeUndefined()
    expect(log.next(undoable, 'me')).toBe('g2')
    log.undo('me', 'g2')
    log.do('me', 'g3', caption('Anew'))
    expect(log.next(redoable, 'me')).toBeUndefined()
  })
})

describe('the gesture of a new row', () => {
  const asked = (log: Log, gesture: string, undoes: string | null = null): string => gestureFor(log.rows, { id: 'row', gesture, undoes })

  test('is the one it names while that stands, whatever else was taken back', () => {
    const log = new Log().do('me', 'g1', heading('One')).do('me', 'g2', caption('Two'))
    expect([asked(log, 'g1'), asked(log, 'new')]).toEqual(['g1', 'new'])
    log.undo('me', 'g2')
    expect(asked(log, 'g1')).toBe('g1')
  })

  test('is its own once what it names was taken back, until that is brought back', () => {
    const log = new Log().do('me', 'g1', heading('One'))
    log.undo('me', 'g1')
    expect(asked(log, 'g1')).toBe('row')
    log.undo('me', log.next(redoable, 'me')!)
    expect(asked(log, 'g1')).toBe('g1')
  })

  test('of a taking back is as it is named, even where a gesture of that name was taken back', () => {
    const log = new Log().do('me', 'g1', heading('One'))
    log.undo('me', 'g1')
    expect(asked(log, 'g1', 'g0')).toBe('g1')
  })
})

test('a gesture is told by its first row, however it goes on', () => {
  const log = new Log().do('me', 'g1', heading('One'))
  log.rows.push({ ...log.rows[0]!, id: 'other', who: 'you' })
  expect(gesturesOf(log.rows)).toEqual([{ id: 'g1', who: 'me', undoes: null, stands: true }])
})

test('nothing of what another person took back is there to be brought back', () => {
  const log = new Log().do(null, 'g0', heading('Anybody’s')).do('you', 'h1', caption('Yours'))
  log.undo('you', 'g0')
  expect(redoable(gesturesOf(log.rows), 'me')).toEqual([])
  expect(redoable(gesturesOf(log.rows), 'you')).toEqual(['u2'])
})
