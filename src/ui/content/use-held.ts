import { useEffect, useState } from 'react'
import { contentOf, heldWords, holdAsk, type LedgerRow, type Site } from '@/core/fill'
import { heldBy, linesEverywhere, overAt, piecesOf, type Held, type Room, type Stretch } from '@/core/lines'
import { findSection, holdKey, type Hold, type Section, type SlotValue } from '@/core/site'
import { own } from '@/core/own'
import { useJob, useJobStore } from '../job/job-context'
import { heldName, type HeldText, type JobState } from '../job/job-state'
import { siteOf } from '../job/site-of'
import { FittingRoom } from '../sheets/fitting-room'
import type { TextProbe } from '../sheets/probe-text'

/** What is known of the lines of a place at every width. */
export type LinesKnown = {
  /** What they are held to. */
  readonly hold: Hold | null
  /** Lines can be counted and held: the place has paragraphs at most, and its design gives it room of its own. */
  readonly can: boolean
  /** Windows with the same number of lines, from narrow to wide. */
  readonly stretches: readonly Stretch[]
  /** Windows in which the place takes more lines than it is held to. */
  readonly over: readonly Stretch[]
  /** The words, and after how many UTF-16 units they are over the limit in the worst window; null where they are nowhere. */
  readonly words: string
  readonly overAt: number | null
}

/** What a row's lines are held to; nothing where they are not. */
export function holdOf(section: Section | null, { stands }: LedgerRow): Hold | null {
  return (section?.holds && own(section.holds, holdKey(stands.entry?.list ?? null, stands.slot))) ?? null
}

/** The lines of a place whose lines are held, once its room is known; null while it is not, and where they are not held. */
export function useHeld(row: LedgerRow): LinesKnown | null {
  const key = holdKey(row.stands.entry?.list ?? null, row.stands.slot)
  const section = useJob((s) => findSection(s.document, row.stands.section))
  const text = useJob((s) => (section ? s.heldTexts.get(heldName({ section, key })) : undefined))
  // The words of other entries count too, where a list is held.
  useJob((s) => section && contentOf(s.pack, s.document, section))
  const store = useJobStore()
  return section && text && holdOf(section, row) !== null ? linesAt(store.getState(), section, row, text) : null
}

/** The lines of any place, held or not, measured while somebody looks at them; null until that is done. */
export function useLines(row: LedgerRow): LinesKnown | null {
  const store = useJobStore()
  const held = useHeld(row)
  const key = holdKey(row.stands.entry?.list ?? null, row.stands.slot)
  const [measured, setMeasured] = useState<Pick<HeldText, 'probe' | 'rooms'> | null>(null)
  useEffect(() => {
    let isOver = false
    const room = new FittingRoom()
    const look = async (): Promise<void> => {
      const state = store.getState()
      const section = findSection(state.document, row.stands.section)
      if (!section) return
      const probe = await room.probe(siteOf(state), { section, key })
      const rooms = await room.rooms(siteOf(state), { section, key })
      if (!isOver) setMeasured({ probe, rooms })
    }
    void look()
    // Words are measured in the room's own fonts for as long as they are looked at.
    return () => {
      isOver = true
      room.close()
    }
  }, [store, row.stands.section, key])
  const section = findSection(store.getState().document, row.stands.section)
  return held ?? (section && measured ? linesAt(store.getState(), section, row, measured) : null)
}

function linesAt(state: JobState, section: Section, row: LedgerRow, text: Pick<HeldText, 'probe' | 'rooms'>): LinesKnown {
  const site = siteOf(state)
  const hold = holdOf(section, row)
  const words = heldWords(site, (row.value ?? row.placeholder ?? undefined) as SlotValue | undefined)
  const none: LinesKnown = { hold, can: false, stretches: [], over: [], words: words ?? '', overAt: null }
  if (!text.probe || words === null) return none
  const pieces = piecesOf(words, text.probe.ruler)
  const held = hold === null ? null : heldFor(site, section, row, hold, text.probe)
  const stretches = linesEverywhere(held, pieces, text.rooms)
  if (!held || hold === null || hold === 'alike') return { ...none, can: true, stretches }
  const over = stretches.filter(({ lines }) => lines > hold)
  const limit = over.length === 0 ? null : overAt(held, pieces, hold, roomsIn(text.rooms, over))
  return { ...none, can: true, stretches, over, overAt: limit }
}

function heldFor(site: Site, section: Section, { stands }: LedgerRow, hold: Hold, probe: TextProbe): Held | null {
  const content = contentOf(site.pack, site.document, section)
  const ask = holdAsk(site, { content, list: stands.entry?.list ?? null, slot: stands.slot }, hold)
  const ruler = ask?.bold ? probe.bold : probe.ruler
  return ask && ask.texts.length > 0
    ? heldBy(
        hold,
        ask.texts.map((one) => piecesOf(one, ruler)),
        probe.setting,
      )
    : null
}

function roomsIn(rooms: readonly Room[], stretches: readonly Stretch[]): readonly Room[] {
  return rooms.filter(({ width }) => stretches.some(({ from, to }) => width >= from && width <= to))
}
