import type { StoreApi } from 'zustand/vanilla'
import type { HoldAsk, HoldFinder } from '@/core/fill'
import { heldBy, piecesIn, type Held } from '@/core/lines'
import { own } from '@/core/own'
import { designKey } from '@/core/pack'
import { allSections, alterationsOf, entriesOf, findSection, hasColumns, shownSection, type SiteDocument } from '@/core/site'
import { OffscreenMeasurer, type Wanted } from '../sheets/offscreen-measurer'
import type { TextProbe } from '../sheets/probe-text'
import { heldName, type HeldText, type JobState } from './job-state'
import { siteOf } from './site-of'

/** How long what changes the styles has to rest before texts are looked at anew, in ms. */
const REST = 200
/** The most answers that are remembered. */
const MOST_ANSWERS = 2000

/**
 * Keeps in sight how texts are set whose lines are held or looked at, so that a key press can reckon their size; as long as the job is
 * open here.
 */
export function followHolds(store: StoreApi<JobState>): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined
  let isOver = false
  let room: OffscreenMeasurer | null = null
  let probes = new Map<string, TextProbe | null>()
  let styles: readonly unknown[] = []

  /** How each text is set, then what room it has: the first is for the next key press, the second may come later. */
  const look = async (): Promise<void> => {
    const state = store.getState()
    const now = stylesOf(state)
    const isSame = now.every((one, i) => one === styles[i])
    const known = isSame ? probes : new Map<string, TextProbe | null>()
    const wanted = wantedIn(state)
    const missing = [...new Map(wanted.map((one) => [lookOf(state.document, one), one]))].filter(([name]) => !known.has(name))
    for (const [name, one] of missing) {
      room ??= new OffscreenMeasurer()
      known.set(name, await room.probe(siteOf(state), one).catch(problem))
      if (isOver) return
    }
    if (!isSame || missing.length > 0 || !store.getState().holds) store.setState({ holds: finderOf(new Map(known)) })
    ;[probes, styles] = [known, now]
    await lookForRoom(state, wanted, isSame)
  }

  const lookForRoom = async (state: JobState, wanted: readonly Wanted[], isSame: boolean): Promise<void> => {
    const before = isSame ? store.getState().heldTexts : new Map<string, HeldText>()
    const found = new Map<string, HeldText>()
    for (const one of wanted) {
      const probe = probes.get(lookOf(state.document, one)) ?? null
      const shape = shapeOf(state.document, one)
      const known = before.get(heldName(one.section.id, one.key))
      const isKnown = known?.shape === shape && known.probe === probe
      room ??= new OffscreenMeasurer()
      found.set(
        heldName(one.section.id, one.key),
        isKnown ? known : { shape, probe, rooms: probe ? await room.rooms(siteOf(state), one, probe) : [] },
      )
      if (isOver) return
    }
    if (found.size > 0 || before.size > 0) store.setState({ heldTexts: found })
  }

  let running: Promise<void> = Promise.resolve()
  const soon = (rest: number): void => {
    clearTimeout(timer)
    timer = setTimeout(() => (running = running.then(look).catch((error: unknown) => void problem(error))), rest)
  }
  soon(0)
  const stop = store.subscribe((now, before) => {
    if (now.lookedAt && now.lookedAt !== before.lookedAt) return soon(0)
    if (now.document === before.document) return
    if (isHeldAnew(now.document, before.document)) soon(0)
    else if (stylesOf(now).some((one, i) => one !== stylesOf(before)[i])) soon(REST)
    // A key press changes a section's words, and neither how they are set nor their room.
    else if (now.document.sections !== before.document.sections || now.document.entries !== before.document.entries) soon(REST)
  })
  return () => {
    isOver = true
    clearTimeout(timer)
    stop()
    room?.close()
  }
}

function problem(error: unknown): null {
  console.error('How a text is set could not be found out', error)
  return null
}

/** All that decides how a design sets its words. */
function stylesOf({ document, pack }: JobState): readonly unknown[] {
  return [document.brand, document.dress, document.language, document.plan.onePage, pack]
}

/** Whether something is held that was not before. */
function isHeldAnew(now: SiteDocument, before: SiteDocument): boolean {
  return now.sections !== before.sections && allSections(now).some(({ id, holds }) => holds && holds !== own(before.sections, id)?.holds)
}

/** Every text whose lines are held, and the one that is looked at. */
function wantedIn({ document, lookedAt }: JobState): readonly Wanted[] {
  const held = allSections(document).flatMap((section) =>
    section.same === undefined ? Object.keys(section.holds ?? {}).map((key) => ({ section, key })) : [],
  )
  const section = lookedAt && findSection(document, lookedAt.section)
  if (!section || held.some((one) => one.section === section && one.key === lookedAt.key)) return held
  return [...held, { section, key: lookedAt.key }]
}

function lookOf(document: SiteDocument, { section, key }: Wanted): string {
  const { kind, design } = shownSection(document, section)
  return `${designKey(kind, design)} ${key}`
}

/** All that decides how much room a text has, but for the styles. */
function shapeOf(document: SiteDocument, { section, key }: Wanted): string {
  const { kind, design, tone } = section
  const entries = entriesOf(document, section.id).map(
    ({ in: { list }, gone, hidden }) => `${list}${gone ? ' gone' : ''}${hidden ? ' hidden' : ''}`,
  )
  return JSON.stringify([key, kind, design, tone, section.in, alterationsOf(section), entries, hasColumns(document)])
}

/** Answers from what is known of the designs; words are measured as they are asked for, and what was reckoned is remembered. */
function finderOf(probes: ReadonlyMap<string, TextProbe | null>): HoldFinder {
  const answers = new Map<string, Held | null>()
  return (ask) => {
    const name = JSON.stringify(ask)
    let held = answers.get(name)
    if (held === undefined) {
      if (answers.size > MOST_ANSWERS) answers.clear()
      answers.set(name, (held = heldOf(probes.get(`${ask.look} ${ask.key}`) ?? null, ask)))
    }
    return held
  }
}

function heldOf(probe: TextProbe | null, { texts, hold, bold }: HoldAsk): Held | null {
  if (!probe?.isRoom || texts.length === 0) return null
  const ruler = bold ? probe.bold : probe.ruler
  return heldBy(
    hold,
    texts.map((text) => piecesIn(text, ruler, probe.setting)),
    probe.setting,
  )
}
