import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterEach, beforeAll, beforeEach, describe, expect, test, vi } from 'vitest'
import { findSection, type Edit, type SectionId, type SiteDocument } from '../../src/core/site'
import type { Browser, Client, World } from '../world'
import { testSite } from '../pack'
import { applyPending } from '../../src/ui/job/rebase'
import type { TemplateLibrary } from '../../src/core/pack'
import { createJobStore } from '../../src/ui/job/job-store'
import { screenOf } from '../../src/ui/job/screen'
import type { Transport } from '../../src/ui/job/transport'
import { edited, setSlot, setText } from '../site'

let worlds: typeof import('../world')
let jobs: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let rows: typeof import('../../src/server/store/log-rows')
beforeAll(async () => {
  process.env.INSTANT_FIT_DATA = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  ;[worlds, jobs, log, rows] = await Promise.all([
    import('../world'),
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/store/log-rows'),
  ])
})

let job = ''
let world: World
let browser: Browser
let me: Client
beforeEach(() => {
  job = jobs.createJob(testSite({ name: 'Store' }).document)
  world = new worlds.World(job)
  browser = new worlds.Browser()
  me = world.open(browser)
})
afterEach(() => [...world.clients].forEach((c) => c.die()))

const heading = (text: string): Edit => setText('home.hero', 'heading', text)
const caption = (text: string): Edit => setText('home.hero', 'caption', text)
const shown = (document: SiteDocument, slot: string): unknown =>
  (findSection(document, 'home.hero')!.slots[slot] as { text: string } | undefined)?.text
const inLog = (slot: string): unknown => shown(log.jobState(job).document, slot)
const lose = async (times: number): Promise<void> => {
  for (let i = 0; i < times; i++) await world.move(0, 'is lost')
}

test('a change is on the screen at once, and called saved only when it is in the database', async () => {
  me.store.apply(heading('Now'))
  expect(shown(me.store.getState().document, 'heading')).toBe('Now')
  expect(me.store.getState().saveState).toBe('saving')
  expect(log.jobState(job).revision).toBe(0)
  await world.heal()
  expect(me.store.getState()).toMatchObject({ saveState: 'saved', revision: 1, pending: [] })
  expect(log.jobState(job).document).toEqual(me.store.getState().document)
})

test('what is around the sheets hears of a key typed there once the sheets are painted, and of anything else at once', async () => {
  const frames: (() => void)[] = []
  vi.stubGlobal('requestAnimationFrame', (run: () => void) => frames.push(run))
  const screen = screenOf(me.store)
  const heard: unknown[] = []
  screen.subscribe((now) => heard.push(shown(now.document, 'heading')))
  for (const text of ['W', 'Wo']) screen.afterSheets(() => me.store.apply(heading(text), 'typing'))
  expect([shown(screen.getState().document, 'heading'), heard]).toEqual(['Wo', []])
  frames.forEach((paint) => paint())
  await vi.waitFor(() => expect(heard).toEqual(['Wo']))
  me.store.apply(heading('At once'))
  expect(heard).toEqual(['Wo', 'At once'])
  // What is waited for is told with anything that comes at once, and not again.
  screen.afterSheets(() => me.store.apply(heading('Later')))
  me.store.setNotice('Now')
  expect(heard).toEqual(['Wo', 'At once', 'Later'])
  vi.unstubAllGlobals()
})

test('keys typed in one place travel as one row, and one undo takes them back', async () => {
  for (const text of ['W', 'Wo', 'Wor', 'Word']) me.store.apply(heading(text), 'typing')
  await world.heal()
  expect(rows.rowsSince(job, 0).map((r) => r.edit)).toEqual([heading('Word')])
  await me.store.undo()
  await world.heal()
  expect(inLog('heading')).toBeUndefined()
})

test('typing on while a row is on its way makes another row; a lost reply loses none of it', async () => {
  me.store.apply(heading('W'), 'typing')
  await world.move(1, 'arrives') // The timer: it is sent.
  me.store.apply(heading('Wo'), 'typing')
  await world.move(0, 'arrives') // The line's first answer.
  for (let i = 0; i < 6; i++) await world.move(1, 'is lost')
  me.store.apply(heading('Words'), 'typing')
  await world.heal()
  expect(inLog('heading')).toBe('Words')
  expect(me.store.getState().saveState).toBe('saved')
  expect(rows.rowsSince(job, 0).every((r) => r.gesture === 'typing')).toBe(true)
  await me.store.undo()
  await world.heal()
  expect(inLog('heading')).toBeUndefined()
})

test('while the server is silent nothing is called saved, and all of it arrives when it is back', async () => {
  me.store.apply(heading('In the dark'))
  me.store.apply(caption('Also'))
  await lose(3)
  await world.move(0, 'arrives')
  await lose(1)
  expect(me.store.getState().saveState).toBe('waiting')
  await world.heal()
  expect(me.store.getState().saveState).toBe('saved')
  expect([inLog('heading'), inLog('caption')]).toEqual(['In the dark', 'Also'])
})

test('what was typed without a line outlives the browser: the next tab sends it', async () => {
  me.store.apply(heading('Offline'))
  me.die()
  expect(log.jobState(job).revision).toBe(0)
  const next = world.open(browser)
  await world.heal()
  expect(inLog('heading')).toBe('Offline')
  expect(shown(next.store.getState().document, 'heading')).toBe('Offline')
  expect(browser.rows.size).toBe(0)
})

test('a tab that lives sends what another left when that one went, without being opened again', async () => {
  me.store.apply(heading('Left behind'))
  const other = world.open(browser)
  await Promise.resolve()
  me.die()
  await world.heal()
  expect(inLog('heading')).toBe('Left behind')
  expect(shown(other.store.getState().document, 'heading')).toBe('Left behind')
  expect(browser.rows.size).toBe(0)
})

test('a tab does not send what another one that lives still has', async () => {
  me.store.apply(heading('Mine'))
  const other = world.open(browser)
  await Promise.resolve()
  expect(other.store.getState().pending).toEqual([])
  await world.heal()
  expect(rows.rowsSince(job, 0)).toHaveLength(1)
})

test('what another hand did comes under what is being typed here, and undo takes back one’s own', async () => {
  const you = world.open(new worlds.Browser())
  me.store.apply(heading('Mine'))
  you.store.apply(caption('Theirs'))
  await world.heal()
  expect(shown(me.store.getState().document, 'caption')).toBe('Theirs')
  await me.store.undo()
  await world.heal()
  expect([inLog('heading'), inLog('caption')]).toEqual([undefined, 'Theirs'])
  expect(me.store.getState().canUndo).toBe(false)
  expect(you.store.getState().canUndo).toBe(true)
})

describe('a row that does not fit any more', () => {
  test('is refused by itself: its words are given back, kept until they are put away, and all else is saved', async () => {
    const you = world.open(new worlds.Browser())
    you.store.apply({ type: 'section/remove', section: 'home.steps' as SectionId })
    await world.heal()
    const late = world.open(browser)
    me.store.apply(heading('Before'))
    // As a screen that has not heard yet: the row is made on the older document.
    me.store.setState({ document: testSite({ name: 'Store' }).document })
    expect(me.store.apply(setText('home.steps', 'heading', 'My lost words'))).not.toBeNull()
    me.store.apply(caption('After'))
    await world.heal()
    expect(me.store.getState().givenBack).toMatchObject([{ words: ['My lost words'], sentence: expect.stringContaining('is gone') }])
    expect([inLog('heading'), inLog('caption')]).toEqual(['Before', 'After'])
    expect(me.store.getState()).toMatchObject({ saveState: 'saved', pending: [] })
    late.die()
    me.die()
    const again = world.open(browser)
    await world.heal()
    const [given] = again.store.getState().givenBack
    expect(given?.words).toEqual(['My lost words'])
    again.store.dismiss(given!.id)
    expect(browser.given.size).toBe(0)
  })
})

test('two tabs of one person that take back the same gesture at once take it back once', async () => {
  me.store.apply(heading('Once'))
  await world.heal()
  const other = world.open(browser)
  await world.heal()
  await Promise.all([me.store.undo(), other.store.undo()])
  await world.heal()
  expect(inLog('heading')).toBeUndefined()
  expect(rows.rowsSince(job, 0).filter((r) => r.undoes !== null)).toHaveLength(1)
  expect(me.store.getState().givenBack).toEqual([])
  await me.store.redo()
  await world.heal()
  expect(inLog('heading')).toBe('Once')
})

test('a taking back that the database reckoned anew, since another wrote there meanwhile, is drawn as it stands there', async () => {
  me.store.apply(heading('Mine'))
  await world.heal()
  await me.store.undo()
  // The taking back is sent and does not arrive; then what another wrote does, and only then is it sent again.
  await world.move(0, 'arrives')
  await world.move(0, 'is lost')
  const theirs = { id: 'their-own-row', gesture: 'theirs', undoes: null, edit: heading('Theirs') }
  log.appendRows(job, 'another', log.jobState(job).revision, [theirs])
  await world.move(1, 'arrives')
  for (let i = 0; i < 2; i++) await world.move(0, 'arrives')
  expect(shown(me.store.getState().saved, 'heading')).toBe('Theirs')
  await world.heal()
  expect([inLog('heading'), shown(me.store.getState().document, 'heading')]).toEqual(['Theirs', 'Theirs'])
})

test('what is typed on in a place after undo is a step of its own, and stays when something older is taken back', async () => {
  me.store.apply(caption('Older'), 'older')
  me.store.apply(heading('Taken back'), 'typing')
  await me.store.undo()
  for (const text of ['O', 'On', 'Onward']) me.store.apply(heading(text), 'typing')
  await world.heal()
  expect(new Set(rows.rowsSince(job, 0).map((r) => r.gesture)).size).toBe(4)
  await me.store.undo('older')
  expect(shown(me.store.getState().document, 'caption')).toBeUndefined()
  expect(shown(me.store.getState().document, 'heading')).toBe('Onward')
  await me.store.undo()
  expect(shown(me.store.getState().document, 'heading')).toBeUndefined()
  await world.heal()
  expect(log.jobState(job).document).toEqual(me.store.getState().document)
})

test('what is typed in one place, in another, and in the first again is three steps, however fast', async () => {
  me.store.apply(caption('First'), 'caption')
  me.store.apply(heading('Between'), 'heading')
  me.store.apply(caption('First, and'), 'caption')
  me.store.apply(caption('First, and more'), 'caption')
  await me.store.undo()
  const { document } = me.store.getState()
  expect([shown(document, 'caption'), shown(document, 'heading')]).toEqual(['First', 'Between'])
  await me.store.undo()
  expect(shown(me.store.getState().document, 'heading')).toBeUndefined()
  expect(shown(me.store.getState().document, 'caption')).toBe('First')
  await world.heal()
  expect([inLog('caption'), inLog('heading')]).toEqual(['First', undefined])
  expect(new Set(rows.rowsSince(job, 0).map((r) => r.gesture)).size).toBe(5)
})

test('what is typed while another tab takes its gesture back stays, and is a step of its own for both', async () => {
  const other = world.open(browser)
  await world.heal()
  me.store.apply(caption('Older'), 'older')
  me.store.apply(heading('Mine'), 'typing')
  await world.heal()
  await other.store.undo()
  me.store.apply(heading('Mine, and more'), 'typing')
  await world.heal()
  expect(inLog('heading')).toBe('Mine, and more')
  await other.store.undo('older')
  await world.heal()
  expect(inLog('caption')).toBeUndefined()
  expect(inLog('heading')).toBe('Mine, and more')
  await me.store.undo()
  await world.heal()
  expect(inLog('heading')).toBeUndefined()
  expect(me.store.getState().document).toEqual(other.store.getState().document)
})

test('a toast’s undo takes back its own gesture, not what came last', async () => {
  const gesture = me.store.apply(heading('The toast’s'))
  me.store.apply(caption('Later'))
  await me.store.undo(gesture!)
  await world.heal()
  expect([inLog('heading'), inLog('caption')]).toEqual([undefined, 'Later'])
})

test('undo reaches back past what came with the job, a page of history at a time', async () => {
  for (let i = 0; i < 120; i++)
    log.appendRows(job, browser.who, i, [{ id: `old-row-${i}`, gesture: `g${i}`, undoes: null, edit: heading(`v${i}`) }])
  me.die()
  me = world.open(browser)
  expect(me.store.getState().history.isFirst).toBe(false)
  for (let i = 0; i < 110; i++) {
    const done = me.store.undo()
    await world.move(0, 'arrives')
    await world.heal()
    await done
  }
  expect(inLog('heading')).toBe('v9')
})

test('of a long history the newest is held, from where a gesture begins, and undo still reaches what is older', async () => {
  for (let i = 0; i < 620; i++) me.store.apply((i % 2 ? heading : caption)(`${i}`), i >= 110 && i <= 130 ? 'long' : `g${i}`)
  await world.heal()
  const { history } = me.store.getState()
  expect(history.isFirst).toBe(false)
  expect(history.rows).toHaveLength(510)
  expect(history.rows.slice(0, 22).map(({ gesture }) => gesture)).toEqual([...Array.from({ length: 21 }, () => 'long'), 'g131'])
  expect(me.store.getState().canUndo).toBe(true)
  const undone = me.store.undo('g5')
  await world.heal()
  await undone
  expect(rows.rowsSince(job, 620).map(({ undoes }) => undoes)).toEqual(['g5'])
})

test('undo and redo say which place they changed, so that the screen can go there', async () => {
  me.store.apply(heading('Here'))
  await me.store.undo()
  expect(me.store.getState().stepped?.place).toMatchObject({ type: 'slot', slot: 'heading' })
  await me.store.redo()
  expect(shown(me.store.getState().document, 'heading')).toBe('Here')
  expect(me.store.getState().canRedo).toBe(false)
})

test('a change to a place that is gone is refused and nothing is queued', () => {
  expect(me.store.apply(setText('gone', 'heading', 'x'))).toBeNull()
  expect(me.store.getState().pending).toEqual([])
})

test('a page that goes away hands over what it has, and what it typed after coming back is another row', async () => {
  me.store.apply(heading('Leaving'), 'typing')
  me.store.leave()
  me.store.apply(heading('Leaving, and back'), 'typing')
  await world.heal()
  expect(inLog('heading')).toBe('Leaving, and back')
  expect(rows.rowsSince(job, 0)).toHaveLength(2)
})

test('what a page hands over as it goes arrives, even if its browser keeps nothing', async () => {
  me.store.apply(heading('Last words'), 'typing')
  me.store.leave()
  me.die()
  browser.rows.clear()
  await world.heal()
  expect(inLog('heading')).toBe('Last words')
})

test('what is pending comes on top of what others wrote, and taking it back gives theirs back', () => {
  const theirs = edited(testSite({ name: 'Store' }).document, heading('Theirs'))
  const mine = { id: 'r', gesture: 'g', who: null, undoes: null, edit: heading('Mine'), inverse: setSlot('home.hero', 'heading', null) }
  const { document, pending } = applyPending(theirs, [], [{ ...mine, sent: true, stuck: false, adopted: false }])
  expect(shown(document, 'heading')).toBe('Mine')
  expect(edited(document, pending[0]!.inverse)).toEqual(theirs)
})

test('a document at rest asks nothing of the server', async () => {
  me.store.apply(setText('home.hero', 'heading', 'x'))
  await world.heal()
  const before = log.jobState(job)
  await world.move(0, 'arrives')
  expect(log.jobState(job)).toBe(before)
})

describe('what goes wrong on the screen', () => {
  test('while a change is drawn keeps no word from being saved, and none of the others who draw from hearing of it', async () => {
    const reported = vi.spyOn(console, 'error').mockImplementation(() => undefined)
    const inOutbox: number[] = []
    me.store.subscribe(() => {
      inOutbox.push(browser.rows.size)
      throw new Error('This cannot be drawn')
    })
    const screen = screenOf(me.store)
    const heard: unknown[] = []
    screen.subscribe(() => {
      throw new Error('Nor this')
    })
    screen.subscribe((now) => heard.push(shown(now.document, 'heading')))
    me.store.apply(heading('Kept all the same'))
    expect(inOutbox[0]).toBe(1)
    expect(heard).toEqual(['Kept all the same'])
    await world.heal()
    expect(inLog('heading')).toBe('Kept all the same')
    expect(me.store.getState()).toMatchObject({ saveState: 'saved', pending: [] })
    expect(reported.mock.calls.flat().map(String)).toEqual(expect.arrayContaining(['Error: This cannot be drawn', 'Error: Nor this']))
    reported.mockRestore()
  })

  test('with what the database says has the screen begin again from there, and nothing waits for a reload', async () => {
    const reported = vi.spyOn(console, 'error').mockImplementation(() => undefined)
    const gone = { type: 'section/remove', section: 'nowhere' as SectionId } as const
    const document = edited(log.jobState(job).document, heading('As it is there'))
    const { store, opened } = toldOf(gone, { document })
    await vi.waitFor(() => expect(store.getState().revision).toBe(1))
    expect(shown(store.getState().document, 'heading')).toBe('As it is there')
    expect(store.getState().saveState).toBe('saved')
    expect(opened).toHaveBeenCalledTimes(1)
    expect(String(reported.mock.calls[0]?.[0])).toContain('does not fit')
    reported.mockRestore()
  })
})

test('templates that another tab brought in are here before anything that wears them is drawn', async () => {
  const { pack } = testSite()
  const more = { ...pack, templates: { ...pack.templates, brought: { ...pack.templates.windrow!, id: 'brought' } } }
  const drawn: boolean[] = []
  const { store } = toldOf({ type: 'dress/set', part: 'template', value: 'brought' }, { library: { pack: more, assets: {} } })
  store.subscribe(({ document, pack: here }) => drawn.push(document.dress.template in here.templates))
  await vi.waitFor(() => expect(store.getState().document.dress.template).toBe('brought'))
  expect(drawn.length).toBeGreaterThan(0)
  expect(drawn.every(Boolean)).toBe(true)
})

/** A screen that is told of one row of somebody else's: what the job is when it is opened anew, and what templates are there by then. */
function toldOf(edit: Edit, { document = null as SiteDocument | null, library = null as TemplateLibrary | null } = {}) {
  const state = log.jobState(job)
  const begun = { id: job, ...state, history: { rows: [], isFirst: true }, assets: {}, library: 'at first', missing: [] }
  const version = library ? 'with more' : 'at first'
  const row = { id: 'x', gesture: 'x', who: 'somebody', undoes: null, inverse: caption(''), revision: 1, edit }
  const opened = vi.fn(() => Promise.resolve({ ...begun, document: document ?? state.document, revision: 1, library: version }))
  const transport: Transport = {
    append: () => Promise.reject(new Error('Nothing is sent here')),
    since: () => Promise.resolve({ revision: 1, library: version, rows: [row], written: [], refused: [] }),
    open: opened,
    library: () => (library ? Promise.resolve(library) : Promise.reject(new Error('No other library'))),
    history: () => Promise.resolve({ rows: [], isFirst: true }),
    leave: () => undefined,
    follow: (tell) => {
      void Promise.resolve().then(() => tell(1))
      return () => undefined
    },
  }
  const hands = { transport, outbox: browser.outbox(), who: 'me', wait: () => () => undefined }
  return { store: createJobStore(begun, { pack: testSite().pack, assets: {} }, hands), opened }
}
