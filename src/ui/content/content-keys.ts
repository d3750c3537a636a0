import { useEffect } from 'react'
import type { SheetCommand } from '../sheets/sheet-hands'

/** The keys of the Content stage, wherever the focus is outside the sheets; on a sheet it tells of them itself. */
export function useContentKeys(command: (name: SheetCommand) => void): void {
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      // A field that made something of the key itself, such as a week in one line, keeps the focus.
      if (event.defaultPrevented) return
      const found = commandOf(event)
      if (!found) return
      event.preventDefault()
      command(found)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [command])
}

function commandOf(event: KeyboardEvent): SheetCommand | null {
  const key = event.key.toLowerCase()
  if (event.key === 'F8') return event.shiftKey ? 'previousLeftover' : 'nextLeftover'
  if ((event.ctrlKey || event.metaKey) && key === 'h') return 'find'
  if (event.altKey && key === 'k') return 'keep'
  if (event.altKey && key === 'n') return 'spare'
  if (event.altKey && key === 'd') return 'designs'
  if (event.altKey && key === 'l') return 'near'
  if (event.key !== 'Enter') return null
  // In the ledger Enter goes on from every kind of place; a button there is pressed by the space bar.
  const cell = (event.target as Element).closest?.('[data-client] [data-cell],[data-row] input')
  const takesLines = cell?.getAttribute('data-lines') === 'many' && !event.ctrlKey && !event.metaKey
  if (!cell || takesLines) return null
  return event.shiftKey ? 'up' : 'down'
}
