import { useEffect } from 'react'
import { contentOf, countedText, holdAsk, type LedgerRow, type Site } from '@/core/fill'
import { heldBy, linesEverywhere, overAt, piecesIn, type Held, type Room, type Stretch } from '@/core/lines'
import { findSection, holdKey, type Hold, type Section, type SlotValue } from '@/core/site'
import { own } from '@/core/own'
import { useJob, useJobStore } from '../job/job-context'
import { heldName, type HeldText, type JobState } from '../job/job-state'
import { siteOf } from '../job/site-of'
import type { TextProbe } from '../sheets/probe-text'

/** What is known of the lines of a place at every width. */
export type LinesKnown = {
  /** What they are held to. */
  readonly hold: Hold | null
  /** Lines can be counted: the words are all of one size, and shown somewhere. */
  readonly can: boolean
  /** The words follow what they are held to, in room of their own; else they stay as designed, and what is over is told. */
  readonly follows: boolean
  /** Windows with the same number of lines, from narrow to wide. */
  readonly stretches: readonly Stretch[]
  /** Windows in which the place takes more lines than it is held to. */
  readonly over: readonly Stretch[]
  /** The words, and after how many UTF-16 units they are over the limit in the worst window; null where they are nowhere. */
  readonly words: string
  readonly overAt: number | null
}

/** What a row's lines are held to; nothing where they are not. */
export function holdOf(section: Section | null, row: LedgerRow): Hold | null {
  return (section?.holds && own(section.holds, keyOf(row))) ?? null
}

/** The lines of a place whose lines are held, once its room is known; null while it is not, and where they are not held. */
export function useHeld(row: LedgerRow): LinesKnown | null {
  const known = useKnown(row)
  return known?.hold === null ? null : known
}

/** The lines of any place, held or not, measured for as long as somebody looks at them; null until that is done. */
export function useLines(row: LedgerRow): LinesKnown | null {
  const store = useJobStore()
  const { section } = row.stands
  const key = keyOf(row)
  useEffect(() => {
    const lookedAt = { section, key }
    store.setState({ lookedAt })
    return () => {
      if (store.getState().lookedAt === lookedAt) store.setState({ lookedAt: null })
    }
  }, [store, section, key])
  return useKnown(row)
}

/** What is known of a place's lines, where they are held or looked at. */
function useKnown(row: LedgerRow): LinesKnown | null {
  const section = useJob((s) => findSection(s.document, row.stands.section))
  const text = useJob((s) => s.heldTexts.get(heldName(row.stands.section, keyOf(row))))
  // The words of other entries count too, where a list is held.
  useJob((s) => section && contentOf(s.pack, s.document, section))
  const store = useJobStore()
  return section && text ? linesAt(store.getState(), section, row, text) : null
}

function keyOf({ stands }: LedgerRow): string {
  return holdKey(stands.entry?.list ?? null, stands.slot)
}

function linesAt(state: JobState, section: Section, row: LedgerRow, text: Pick<HeldText, 'probe' | 'rooms'>): LinesKnown {
  const site = siteOf(state)
  const hold = holdOf(section, row)
  const counted = countedText(site, (row.value ?? row.placeholder ?? undefined) as SlotValue | undefined)
  const none: LinesKnown = { hold, can: false, follows: false, stretches: [], over: [], words: counted?.words ?? '', overAt: null }
  if (!text.probe || counted === null || text.rooms.length === 0) return none
  const pieces = piecesIn(counted, text.probe.ruler, text.probe.setting)
  const follows = text.probe.isRoom && row.type !== 'link'
  const held = hold === null || !follows ? null : heldFor(site, section, row, hold, text.probe)
  const stretches = linesEverywhere(held, pieces, text.rooms)
  if (hold === null || hold === 'alike') return { ...none, can: true, follows, stretches }
  const over = stretches.filter(({ lines }) => lines > hold)
  const limit = over.length === 0 ? null : overAt(held, pieces, hold, roomsIn(text.rooms, over))
  return { ...none, can: true, follows, stretches, over, overAt: limit }
}

function heldFor(site: Site, section: Section, { stands }: LedgerRow, hold: Hold, probe: TextProbe): Held | null {
  const content = contentOf(site.pack, site.document, section)
  const ask = holdAsk(site, { content, list: stands.entry?.list ?? null, slot: stands.slot }, hold)
  const ruler = ask?.bold ? probe.bold : probe.ruler
  return ask && ask.texts.length > 0
    ? heldBy(
        hold,
        ask.texts.map((one) => piecesIn(one, ruler, probe.setting)),
        probe.setting,
      )
    : null
}

function roomsIn(rooms: readonly Room[], stretches: readonly Stretch[]): readonly Room[] {
  return rooms.filter(({ width }) => stretches.some(({ from, to }) => width >= from && width <= to))
}
