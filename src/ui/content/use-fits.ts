import { useCallback, useState } from 'react'
import type { SheetFit } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import type { LineFit } from './fit-strip'

/** Lines of every text on the page in hand, at each width beside those designed; a row whose lines stay keeps its object. */
export function useFits(): { readonly fits: ReadonlyMap<string, LineFit>; readonly noteFit: (sheet: SheetName, fit: SheetFit) => void } {
  const [fits, setFits] = useState<ReadonlyMap<string, LineFit>>(new Map())
  const noteFit = useCallback((sheet: SheetName, fit: SheetFit) => {
    setFits((before) => {
      const next = new Map(before)
      for (const [key, now] of fit.now) {
        const known = before.get(key)?.[sheet]
        const designed = fit.designed.get(key) ?? 0
        if (known?.now !== now || known.designed !== designed) next.set(key, { ...next.get(key), [sheet]: { now, designed } })
      }
      // A place that is not on the sheet any more has no lines there.
      for (const [key, { [sheet]: gone, ...others }] of before) {
        if (!gone || fit.now.has(key)) continue
        if (Object.keys(others).length > 0) next.set(key, others)
        else next.delete(key)
      }
      return next
    })
  }, [])
  return { fits, noteFit }
}
