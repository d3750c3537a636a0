'use client'
import { Popover } from 'radix-ui'
import { useRef, useState } from 'react'
import { toast } from 'sonner'
import { alternateTones, moveAll } from '@/core/plan'
import { findSection, sectionsIn, type PageId, type SectionId, type SectionIn } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { Panel } from '../parts/panel'
import { count } from '../parts/words'
import { KeepForm } from './keep-form'
import { Item, Menu, SubMenu } from './menu'
import { SectionNames } from './section-names'
import { useTargets } from './section-targets'
import { attempt, attemptWithUndo } from './use-acts'

type Props = {
  readonly page: PageId
  readonly chosen: readonly SectionId[]
  /** Why the sections chosen cannot stand anywhere else; null where they can. */
  readonly bound: string | null
  readonly others: readonly { readonly id: PageId; readonly name: string }[]
}

const VIEWS = { names: 'Name and anchor', keep: 'Keep a copy' } as const

/** What is done with sections now and then: moved elsewhere, hidden, named, kept for other jobs; and the tones of the whole page. */
export function SectionMore({ page, chosen, bound, others }: Props) {
  const store = useJobStore()
  const targets = useTargets(page, chosen)
  const isHidden = useJob((s) => chosen.length > 0 && chosen.every((id) => findSection(s.document, id)?.hidden))
  const [view, setView] = useState<keyof typeof VIEWS | null>(null)
  const anchor = useRef<HTMLSpanElement>(null)
  const none = chosen.length === 0 ? 'Choose a section first.' : null
  const one = chosen.length === 1 ? chosen[0] : undefined
  const notOne = none ?? (one ? null : 'Choose one section alone.')
  const moveTo = (where: SectionIn, said: string): void => {
    const now = store.getState().document
    const steps = moveAll(now, chosen, { in: where, after: sectionsIn(now, where).at(-1)?.id ?? null })
    attemptWithUndo(store, steps, 'The section was not moved', `Moved to ${said}.`)
  }
  const hide = (): void => {
    const steps = chosen.map((section) => ({ type: 'section/set', section, part: 'hidden', value: isHidden ? null : true }) as const)
    attempt(store, steps, isHidden ? 'The section was not shown' : 'The section was not hidden')
  }
  const alternate = (): void => {
    const { pack, document, assets } = store.getState()
    const steps = alternateTones({ document, pack, assets, mode: 'release' }, page)
    if (steps.length === 0) toast('The tones alternate already.')
    else attemptWithUndo(store, steps, 'The tones were not changed', `${count(steps.length, 'section')} in another tone.`)
  }
  return (
    <Popover.Root open={view !== null} onOpenChange={(isOpen) => !isOpen && setView(null)}>
      <Popover.Anchor asChild>
        <span ref={anchor}>
          <Menu label="More">
            <SubMenu label="Move to" why={none ?? bound}>
              {others.map(({ id, name }) => (
                <Item key={id} onSelect={() => moveTo({ type: 'page', page: id }, `the end of “${name}”`)}>
                  {name}
                </Item>
              ))}
              {targets.map(({ where, words }) => (
                <Item key={words} onSelect={() => moveTo(where, words)}>
                  {words}
                </Item>
              ))}
            </SubMenu>
            <Item onSelect={hide} why={none}>
              {isHidden ? 'Show' : 'Hide'}
            </Item>
            <Item opens onSelect={() => setView('names')} why={notOne}>
              Name and anchor…
            </Item>
            <Item opens onSelect={() => setView('keep')} why={notOne}>
              Keep a copy…
            </Item>
            <Item onSelect={alternate}>Alternate the tones of this page</Item>
          </Menu>
        </span>
      </Popover.Anchor>
      <Panel
        align="start"
        sideOffset={2}
        className="p-3"
        aria-label={view === null ? '' : VIEWS[view]}
        onCloseAutoFocus={(event) => {
          event.preventDefault()
          anchor.current?.querySelector('button')?.focus()
        }}
      >
        {one && view === 'names' && <SectionNames section={one} />}
        {one && view === 'keep' && <KeepForm section={one} onKept={() => setView(null)} />}
      </Panel>
    </Popover.Root>
  )
}
