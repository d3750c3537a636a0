import { useCallback, useState } from 'react'
import type { SheetFit } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import type { LineFit } from '../sheets/widths'

/**
 * Lines of every text on the page in hand, at each width beside those designed; a row whose lines stay keeps its object, and where none
 * changes nothing is drawn.
 */
export function useFits(): { readonly fits: ReadonlyMap<string, LineFit>; readonly noteFit: (sheet: SheetName, fit: SheetFit) => void } {
  const [fits, setFits] = useState<ReadonlyMap<string, LineFit>>(new Map())
  const noteFit = useCallback((sheet: SheetName, fit: SheetFit) => {
    setFits((before) => {
      let next: Map<string, LineFit> | null = null
      const changed = (): Map<string, LineFit> => (next ??= new Map(before))
      for (const [key, now] of fit.now) {
        const known = before.get(key)?.[sheet]
        const designed = fit.designed.get(key) ?? 0
        if (known?.now !== now || known.designed !== designed) changed().set(key, { ...before.get(key), [sheet]: { now, designed } })
      }
      // A place that is not on the sheet any more has no lines there.
      for (const [key, { [sheet]: gone, ...others }] of before) {
        if (!gone || fit.now.has(key)) continue
        if (Object.keys(others).length > 0) changed().set(key, others)
        else changed().delete(key)
      }
      return next ?? before
    })
  }, [])
  return { fits, noteFit }
}
