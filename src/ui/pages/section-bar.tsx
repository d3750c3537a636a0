'use client'
import { own } from '@/core/own'
import { toast } from 'sonner'
import { pageTexts } from '@/core/fill'
import { alternateTones, canLook, canStand, copyAll, copySection, moveAll, ownAgain, shareOn } from '@/core/plan'
import {
  columnAt,
  findPage,
  findSection,
  pageOfSection,
  pagesOf,
  pagesShowing,
  sectionPlace,
  sectionsIn,
  SIDES,
  type PageId,
  type SectionId,
  type SectionIn,
  type ShownColumn,
  type Side,
  type SiteDocument,
} from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { count } from '../parts/words'
import { notice } from '../parts/notice'
import { CutButton } from './cut-panel'
import { KeepButton } from './keep-button'
import { Item, Menu } from './menu'
import { SectionNames } from './section-names'
import { useSideName } from './side-column'
import { attempt, attemptWithUndo, unique } from './use-acts'

/** Places for a section that is to stand on every page. */
const EVERYWHERE: readonly { readonly where: SectionIn; readonly words: string }[] = [
  { where: { type: 'header' }, words: 'the head of every page' },
  { where: { type: 'footer' }, words: 'the foot of every page' },
]

function canStandOnPages(document: SiteDocument, id: SectionId): boolean {
  const section = findSection(document, id)
  return section !== null && canStand(section.kind, { type: 'header' }) && canStand(section.kind, { type: 'footer' })
}

function sectionPlaceOf(document: SiteDocument, id: SectionId): readonly string[] {
  const section = findSection(document, id)
  return section ? [sectionPlace(section.in)] : []
}

type Target = { readonly where: SectionIn; readonly words: string }

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

type BarProps = {
  readonly page: PageId
  readonly chosen: readonly SectionId[]
  readonly onAdd: () => void
  readonly onRemove: () => void
  readonly onHold: (page: PageId) => void
  readonly onChoose: (sections: readonly SectionId[]) => void
}

/** What can be done with the sections chosen. */
export function SectionBar({ page, chosen, onAdd, onRemove, onHold, onChoose }: BarProps) {
  const store = useJobStore()
  const pages = useJob((s) => s.document.pages)
  const { pack, document } = store.getState()
  const isHidden = useJob((s) => chosen.length > 0 && chosen.every((id) => findSection(s.document, id)?.hidden))
  const isOnPage = useJob((s) => chosen.every((id) => pageOfSection(s.document, id) !== null))
  const isNone = chosen.length === 0
  // A header and a footer stand where they stand: they are on every page already.
  const isBound = useJob((s) => chosen.some((id) => !canStandOnPages(s.document, id)))
  const standing = useJob((s) => [...new Set(chosen.flatMap((id) => sectionPlaceOf(s.document, id)))].join())
  const columns = useColumns(page, chosen)
  const shown = useJob((s) => chosen.map((id) => pagesShowing(s.document, id).join(' ')).join(' '))
  const showing = shown.split(' ') as PageId[]
  // What stands in a column stays there, or is copied: a page shows a shared one in its own order.
  const isOnMain = useJob((s) => chosen.every((id) => findSection(s.document, id)?.in.type === 'page'))
  const isIn = (where: SectionIn): boolean => standing === sectionPlace(where)
  const copyTo = (target: PageId): void => {
    const now = store.getState().document
    const sections = chosen.flatMap((id) => findSection(now, id) ?? [])
    const here = sections.map((section) => copySection(now, section, { in: section.in, after: section.id }, unique))
    const made =
      target === page
        ? { steps: here.flatMap(({ steps }) => steps), sections: here.map((one) => one.section) }
        : copyAll(now, sections, target, unique)
    if (attempt(store, made.steps, 'The section is not copied') === null) return
    if (target === page) onChoose(made.sections)
    else notice(`Copied to the end of “${nameOf(target)}”.`, 'Go there', () => onHold(target))
  }
  const moveTo = (where: SectionIn, said: string): void => {
    const now = store.getState().document
    const steps = moveAll(now, chosen, { in: where, after: sectionsIn(now, where).at(-1)?.id ?? null })
    attemptWithUndo(store, steps, 'The section stays', `Moved to ${said}.`)
  }
  const share = (target: PageId): void => {
    const now = store.getState().document
    const steps = chosen.flatMap((id) => findSection(now, id) ?? []).map((section) => shareOn(now, section, target, unique))
    attemptWithUndo(store, steps, 'The section is not shared', `The same one stands on “${nameOf(target)}” too: a change reaches both.`)
  }
  const part = (): void => {
    const now = store.getState().document
    const steps = chosen.flatMap((id) => findSection(now, id) ?? []).flatMap((section) => ownAgain(now, section, unique))
    attemptWithUndo(store, steps, 'The section stays shared', 'It is this page’s own now, with what is in it.')
  }
  const nameOf = (id: PageId): string => {
    const found = own(pages, id)
    return found ? pageTexts(pack, document, found).name : ''
  }
  const alternate = (): void => {
    const { document: now, assets } = store.getState()
    const steps = alternateTones({ document: now, pack, assets, mode: 'release' }, page)
    if (steps.length === 0) toast('The tones alternate already.')
    else attemptWithUndo(store, steps, 'The tones stay', `${count(steps.length, 'section')} in another tone.`)
  }
  const others = pagesOf({ pages }).filter((p) => p.id !== page)
  return (
    <div className="flex flex-wrap items-center gap-0.5 pb-1" role="group" aria-label="Sections chosen">
      <Button className="me-1" onClick={onAdd} title={isNone ? 'At the end of the page (n)' : 'After the section chosen (n)'}>
        Add
        <span className="sr-only"> a section</span>
      </Button>
      <Menu label="Duplicate" disabled={isNone || isBound}>
        <Item onSelect={() => copyTo(page)}>Here, after it</Item>
        {others.map(({ id }) => (
          <Item key={id} onSelect={() => copyTo(id)}>
            To {nameOf(id)}
          </Item>
        ))}
        {others
          .filter(({ id }) => isOnMain && !showing.includes(id))
          .map(({ id }) => (
            <Item key={`same ${id}`} onSelect={() => share(id)}>
              The same one on {nameOf(id)}
            </Item>
          ))}
        {showing.length > 1 && <Item onSelect={part}>One of this page’s own instead</Item>}
      </Menu>
      <Menu label="Move" disabled={isNone || isBound}>
        {others.map(({ id }) => (
          <Item key={id} onSelect={() => moveTo({ type: 'page', page: id }, `the end of “${nameOf(id)}”`)}>
            To {nameOf(id)}
          </Item>
        ))}
        {EVERYWHERE.filter(({ where }) => !isIn(where)).map(({ where, words }) => (
          <Item key={words} onSelect={() => moveTo(where, words)}>
            To {words}
          </Item>
        ))}
        {columns
          .filter(({ where }) => !isIn(where))
          .map(({ where, words }) => (
            <Item key={words} onSelect={() => moveTo(where, words)}>
              To {words}
            </Item>
          ))}
        {!isIn({ type: 'page', page }) && (
          <Item onSelect={() => moveTo({ type: 'page', page }, 'the end of this page')}>To this page{isOnPage ? '' : ' only'}</Item>
        )}
      </Menu>
      <Button
        look="quiet"
        disabled={isNone}
        onClick={() =>
          attempt(
            store,
            chosen.map((section) => ({ type: 'section/set', section, part: 'hidden', value: isHidden ? null : true }) as const),
            'Not hidden',
          )
        }
      >
        {isHidden ? 'Show' : 'Hide'}
      </Button>
      <CutButton sections={chosen} />
      <SectionNames section={chosen.length === 1 ? (chosen[0] ?? null) : null} />
      <KeepButton section={chosen.length === 1 ? (chosen[0] ?? null) : null} />
      <Button look="quiet" disabled={isNone} onClick={onRemove}>
        Remove
      </Button>
      <Button look="quiet" onClick={alternate} title="No two neighbours look the same, and the loudest stands where the call is">
        Alternate tones
      </Button>
    </div>
  )
}
