import { useEffect, useState } from 'react'
import { own } from '@/core/own'
import { pagesOf, type PageId } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { siteOf } from '../job/site-of'
import { LineBook } from '../sheets/line-book'
import type { LineFit } from '../sheets/widths'

/** How long nothing changes before the pages that are not in hand are read, in ms. */
const REST = 800

/** Lines of every text of every page, by place, as far as they have been read; read again a moment after something changed. */
export function useAllLines(): ReadonlyMap<PageId, ReadonlyMap<string, LineFit>> {
  const store = useJobStore()
  const [lines, setLines] = useState<ReadonlyMap<PageId, ReadonlyMap<string, LineFit>>>(new Map())
  useEffect(() => {
    const book = new LineBook()
    let run = 0
    let timer: ReturnType<typeof setTimeout> | undefined
    const readAll = async (): Promise<void> => {
      const mine = ++run
      const state = store.getState()
      const found = await book.readPages(siteOf(state), pagesOf(state.document), () => mine !== run)
      if (found) setLines(found)
    }
    const soon = (rest = REST): void => {
      run++
      clearTimeout(timer)
      timer = setTimeout(() => void readAll().catch((error: unknown) => console.error('Lines could not be counted', error)), rest)
    }
    soon(0)
    const stop = store.subscribe((now, before) => {
      if ((['document', 'assets', 'holds', 'hyphens'] as const).some((part) => now[part] !== before[part])) soon()
    })
    return () => {
      run++
      clearTimeout(timer)
      stop()
      book.close()
    }
  }, [store])
  return lines
}

/** How many texts take more lines on some sheet than they were designed for. */
export function countLong(lines: ReadonlyMap<string, LineFit> | undefined): number {
  return [...(lines?.values() ?? [])].filter(isLong).length
}

export function isLong(fit: LineFit): boolean {
  return (['desktop', 'tablet', 'phone'] as const).some((sheet) => {
    const { now, designed } = own(fit, sheet) ?? { now: 0, designed: 0 }
    return designed > 0 && now > designed
  })
}
