import type { ClipboardEvent, DOMAttributes, KeyboardEvent, MouseEvent } from 'react'
import { planPasteFill, readPasted, type PastedTable, type PasteFill } from '@/core/fill'
import { pourDown, pourInto, toTable, toTableHtml, toTsv, type Listed } from '@/core/ledger'
import { placeKey, type Place } from '@/core/site'
import { isPressed } from '../keys/pressed'
import { useJobStore } from '../job/job-context'
import { chooseAll, chooseNone, chooseTo, useRangeStore } from './range'
import { newEntryId } from './slot-actions'
import { actOnRange } from './act-on-range'

type Props = {
  readonly listed: readonly Listed[]
  readonly hand: Place | null
  /** The rows stand as on their pages: what is pasted fills lists, and makes entries where they end. */
  readonly isOrdered: boolean
  readonly onGo: (place: Place, on?: 'cell' | 'row') => void
  readonly onPour: (pour: PasteFill | null, from: Place) => void
}
type Hands = Pick<DOMAttributes<HTMLElement>, 'onKeyDown' | 'onMouseDownCapture' | 'onCopy' | 'onPaste'>

/**
 * The ledger as a sheet of cells: Escape leaves a cell for its row; there the arrow keys go on, with Shift they choose, and what is copied,
 * pasted, filled down and emptied is all that is chosen. Tab goes from cell to cell; from a row it goes to what can be done there.
 */
export function useRangeHands({ listed, hand, isOrdered, onGo, onPour }: Props): Hands {
  const store = useJobStore()
  const range = useRangeStore()
  const at = (row: Element | null): number => listed.findIndex(({ key }) => key === row?.getAttribute('data-row'))
  /** What is chosen, or the row in hand. */
  const chosen = (row: Element | null): readonly Listed[] => {
    const { chosen: keys } = range.getState()
    return keys.size > 1 ? listed.filter(({ key }) => keys.has(key)) : listed.slice(at(row), at(row) + 1)
  }
  const step = (row: Element | null, by: number): boolean => {
    const next = listed[Math.min(Math.max(0, at(row) + by), listed.length - 1)]
    if (!next || at(row) < 0 || next === listed[at(row)]) return false
    onGo(next.place, 'cell')
    return true
  }
  const pressOnRow = (event: KeyboardEvent, row: HTMLElement): void => {
    const isCommand = event.ctrlKey || event.metaKey
    const here = listed[at(row)]
    if (!here) return
    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 8, PageUp: -8, Home: -listed.length, End: listed.length }[event.key]
    if (by !== undefined && !event.altKey) {
      event.preventDefault()
      const next = listed[Math.min(Math.max(0, at(row) + by), listed.length - 1)]
      if (!next) return
      if (event.shiftKey) chooseTo(range, here.place, next.place)
      else chooseNone(range)
      return onGo(next.place, 'row')
    }
    if (isPressed(event, 'chooseAll')) return (event.preventDefault(), chooseAll(range))
    if (isPressed(event, 'fillDown')) return (event.preventDefault(), actOnRange(store, chosen(row), 'fillDown'))
    if (isCommand || event.altKey) return
    if (isPressed(event, 'empty')) return (event.preventDefault(), actOnRange(store, chosen(row), 'empty'))
    if (event.key === 'Escape') return chooseNone(range)
    if (isPressed(event, 'enterCell')) {
      event.preventDefault()
      chooseNone(range)
      return onGo(here.place, 'cell')
    }
    // Whoever begins to type in a row types in its cell, over what stands there.
    const cell = event.key.length === 1 && event.key !== ' ' ? row.querySelector<HTMLTextAreaElement>('textarea[data-cell]') : null
    if (cell) {
      chooseNone(range)
      cell.focus()
      cell.select()
    }
  }
  return {
    onKeyDown: (event) => {
      const target = event.target as HTMLElement
      const row = target.closest<HTMLElement>('[data-row]')
      if (!row || event.defaultPrevented || event.nativeEvent.isComposing) return
      if (target === row) return pressOnRow(event, row)
      const cell = target.closest<HTMLElement>('[data-client]')
      if (!cell) return
      if (event.key === 'Escape') {
        event.preventDefault()
        row.focus({ preventScroll: true })
      }
      if (event.key !== 'Tab' || !isAtEnd(cell, target, event.shiftKey)) return
      if (step(row, event.shiftKey ? -1 : 1)) event.preventDefault()
    },
    onMouseDownCapture: (event: MouseEvent) => {
      const row = (event.target as Element).closest<HTMLElement>('[data-row]')
      const here = listed[at(row)]
      // What is carried by its grip goes with all that is chosen.
      if (!row || (event.target as Element).closest('[data-grip]')) return
      if (!event.shiftKey) return chooseNone(range)
      if (!here || !hand || placeKey(hand) === here.key) return
      event.preventDefault()
      chooseTo(range, hand, here.place)
      row.focus({ preventScroll: true })
    },
    onCopy: (event) => {
      const row = rowInHand(event)
      if (!row) return
      const { pack, document } = store.getState()
      const table = toTable(pack, document, chosen(row))
      if (table.length === 0) return
      event.preventDefault()
      event.clipboardData.setData('text/plain', toTsv(table))
      event.clipboardData.setData('text/html', toTableHtml(table))
    },
    onPaste: (event) => {
      const row = rowInHand(event)
      const here = listed[at(row)]
      if (!row || !here) return
      event.preventDefault()
      const table = readPasted(event.clipboardData.getData('text/plain'), isOfCells(event.clipboardData))
      if (table.length > 0) onPour(plan(table, chosen(row)), here.place)
    },
  }

  function plan(table: PastedTable, places: readonly Listed[]): PasteFill | null {
    const [first] = places
    const [only] = table.flat()
    if (!first) return null
    if (table.flat().length === 1 && only !== undefined) return pourInto(places, only)
    const { pack, document } = store.getState()
    if (isOrdered && first.place.type === 'slot') return planPasteFill(pack, document, first.place, table, newEntryId)
    return pourDown(listed.slice(listed.indexOf(first)), table.flat())
  }
}

/** The row that has the focus itself; in a cell the clipboard is the cell's own. */
function rowInHand(event: ClipboardEvent): HTMLElement | null {
  const on = document.activeElement
  return on instanceof HTMLElement && on.hasAttribute('data-row') && event.currentTarget.contains(on) ? on : null
}

function isOfCells(data: DataTransfer): boolean {
  const text = data.getData('text/plain')
  return text.includes('\t') || /<table[\s>]/i.test(data.getData('text/html'))
}

/** Whether a control is the last of its cell, or the first where it goes backwards. */
function isAtEnd(cell: HTMLElement, target: HTMLElement, isBack: boolean): boolean {
  const stops = [...cell.querySelectorAll<HTMLElement>('input,textarea,select,button,[contenteditable=true],[tabindex="0"]')].filter(
    (one) => !one.hasAttribute('disabled') && one.tabIndex >= 0,
  )
  return (isBack ? stops[0] : stops.at(-1)) === target
}
