import { pageTexts } from '@/core/fill'
import { findPage } from '@/core/site'
import { useJob } from '../job/job-context'

/** How it is told that a page went out alone, by its name now; one that is gone has none any more. */
export function useAloneWords(): (page: string) => string {
  const pack = useJob((s) => s.pack)
  const document = useJob((s) => s.document)
  return (id) => {
    const page = findPage(document, id)
    return page ? `“${pageTexts(pack, document, page).name}” alone` : 'A page alone that is gone by now'
  }
}
