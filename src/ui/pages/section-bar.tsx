'use client'
import { pageTexts } from '@/core/fill'
import { copyAll, copySection, ownAgain, shareOn } from '@/core/plan'
import { findSection, pagesOf, pagesShowing, type PageId, type SectionId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { notice } from '../parts/notice'
import { AlterButton } from './alter-panel'
import { Item, Menu } from './menu'
import { SectionMore } from './section-more'
import { canStandOnPages } from './section-targets'
import { attempt, attemptWithUndo, unique } from './use-acts'

type BarProps = {
  readonly page: PageId
  readonly chosen: readonly SectionId[]
  readonly onAdd: () => void
  readonly onRemove: () => void
  readonly onHold: (page: PageId) => void
  readonly onChoose: (sections: readonly SectionId[]) => void
}

/** What can be done with the sections chosen: what is done every day, and a menu of the rest. */
export function SectionBar({ page, chosen, onAdd, onRemove, onHold, onChoose }: BarProps) {
  const store = useJobStore()
  const pages = useJob((s) => s.document.pages)
  const { pack, document } = store.getState()
  const none = chosen.length === 0 ? 'Choose a section first.' : null
  const bound = useJob((s) => chosen.some((id) => !canStandOnPages(s.document, id))) ? 'A header or footer is on every page.' : null
  const showing = useJob((s) => chosen.map((id) => pagesShowing(s.document, id).join(' ')).join(' ')).split(' ') as PageId[]
  // What stands in a column stays there, or is copied: a page shows a shared one in its own order.
  const isOnMain = useJob((s) => chosen.every((id) => findSection(s.document, id)?.in.type === 'page'))
  const others = pagesOf({ pages })
    .filter((one) => one.id !== page)
    .map((one) => ({ id: one.id, name: pageTexts(pack, document, one).name }))
  const copyTo = (target: PageId, name: string): void => {
    const now = store.getState().document
    const sections = chosen.flatMap((id) => findSection(now, id) ?? [])
    const here = sections.map((section) => copySection(now, section, { in: section.in, after: section.id }, unique))
    const made =
      target === page
        ? { steps: here.flatMap(({ steps }) => steps), sections: here.map((one) => one.section) }
        : copyAll(now, sections, target, unique)
    if (attempt(store, made.steps, 'The section was not duplicated') === null) return
    if (target === page) onChoose(made.sections)
    else notice(`Duplicated to the end of “${name}”.`, 'Go there', () => onHold(target))
  }
  const share = (target: PageId, name: string): void => {
    const now = store.getState().document
    const steps = chosen.flatMap((id) => findSection(now, id) ?? []).map((section) => shareOn(now, section, target, unique))
    attemptWithUndo(store, steps, 'The section was not shared', `The same section is on “${name}” too: a change reaches both.`)
  }
  const part = (): void => {
    const now = store.getState().document
    const steps = chosen.flatMap((id) => findSection(now, id) ?? []).flatMap((section) => ownAgain(now, section, unique))
    attemptWithUndo(store, steps, 'The section is still shared', 'It is this page’s own now, with what is in it.')
  }
  return (
    <div className="flex flex-wrap items-center gap-0.5 pb-1" role="group" aria-label="Sections chosen">
      <Button className="me-1" onClick={onAdd} title={none ? 'At the end of the page (n)' : 'After the section chosen (n)'}>
        Add
        <span className="sr-only"> a section</span>
      </Button>
      <AlterButton sections={chosen} />
      <Menu label="Duplicate" why={none ?? bound}>
        <Item onSelect={() => copyTo(page, '')}>Here, after it</Item>
        {others.map(({ id, name }) => (
          <Item key={id} onSelect={() => copyTo(id, name)}>
            To {name}
          </Item>
        ))}
        {others
          .filter(({ id }) => isOnMain && !showing.includes(id))
          .map(({ id, name }) => (
            <Item key={`same ${id}`} onSelect={() => share(id, name)}>
              The same one on {name}
            </Item>
          ))}
        {showing.length > 1 && <Item onSelect={part}>One of this page’s own instead</Item>}
      </Menu>
      <Button look="quiet" disabled={none !== null} title={none ?? 'Remove from this page (Del)'} onClick={onRemove}>
        Remove
      </Button>
      <SectionMore page={page} chosen={chosen} bound={bound} others={others} />
    </div>
  )
}
