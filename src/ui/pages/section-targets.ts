import { canLook, canStand } from '@/core/plan'
import {
  columnAt,
  findPage,
  findSection,
  sectionPlace,
  SIDES,
  type PageId,
  type SectionId,
  type SectionIn,
  type ShownColumn,
  type Side,
  type SiteDocument,
} from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useSideName } from './side-column'

/** A place that sections can be moved to, and how it is called. */
export type Target = { readonly where: SectionIn; readonly words: string }

/** Places for a section that is to stand on every page. */
const EVERYWHERE: readonly Target[] = [
  { where: { type: 'header' }, words: 'the header of every page' },
  { where: { type: 'footer' }, words: 'the footer of every page' },
]

/** Whether a section may stand on any page: a header and a footer stand where they stand, on every page already. */
export function canStandOnPages(document: SiteDocument, id: SectionId): boolean {
  const section = findSection(document, id)
  return section !== null && canStand(section.kind, { type: 'header' }) && canStand(section.kind, { type: 'footer' })
}

/** Where on this page and on every page the sections chosen can be moved to. */
export function useTargets(page: PageId, chosen: readonly SectionId[]): readonly Target[] {
  const columns = useColumns(page, chosen)
  const isOnPage = useJob(({ document }) => chosen.every((id) => findSection(document, id)?.in.type === 'page'))
  const standing = useJob(({ document }) =>
    [...new Set(chosen.map((id) => findSection(document, id)).flatMap((section) => (section ? [sectionPlace(section.in)] : [])))].join(),
  )
  const here: Target = { where: { type: 'page', page }, words: isOnPage ? 'this page' : 'this page only' }
  return [...EVERYWHERE, ...columns, here].filter(({ where }) => standing !== sectionPlace(where))
}

/** The columns of a page that all sections chosen can stand in. */
function useColumns(id: PageId, chosen: readonly SectionId[]): readonly Target[] {
  const store = useJobStore()
  const names = { start: useSideName('start'), end: useSideName('end') }
  const sides = useJob(({ document, pack }) =>
    SIDES.filter((side) => {
      const column = columnOf(document, id, side)
      return (
        column !== null &&
        chosen.every((one) => {
          const section = findSection(document, one)
          return section !== null && canLook(pack, section, column.place)
        })
      )
    }).join(' '),
  )
  return SIDES.filter((side) => sides.split(' ').includes(side)).flatMap((side) => {
    const column = columnOf(store.getState().document, id, side)
    return column ? [{ where: column.place, words: `the ${names[side].toLowerCase()}` }] : []
  })
}

function columnOf(document: SiteDocument, id: PageId, side: Side): ShownColumn | null {
  const page = findPage(document, id)
  return page && columnAt(document, page, side)
}
