import { useEffect } from 'react'
import { keyPressed } from '../keys/pressed'
import type { SheetCommand } from '../sheets/sheet-hands'

const COMMANDS = ['nextLeftover', 'previousLeftover', 'find', 'keep', 'spare', 'designs', 'near'] as const

/** The keys of the Content stage, wherever the focus is outside the sheets; on a sheet it tells of them itself. */
export function useContentKeys(command: (name: SheetCommand) => void): void {
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      // A field that made something of the key itself, such as a week in one line, keeps the focus.
      if (event.defaultPrevented) return
      const found = keyPressed(event, COMMANDS) ?? stepOf(event)
      if (!found) return
      event.preventDefault()
      command(found)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [command])
}

/** In the ledger Enter goes on from every kind of place; a button there is pressed by the space bar. */
function stepOf(event: KeyboardEvent): SheetCommand | null {
  const step = keyPressed(event, ['down', 'up'])
  const cell = step && (event.target as Element).closest?.('[data-client] [data-cell],[data-row] input')
  const takesLines = cell?.getAttribute('data-lines') === 'many' && !event.ctrlKey && !event.metaKey
  return cell && !takesLines ? step : null
}
