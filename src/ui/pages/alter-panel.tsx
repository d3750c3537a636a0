'use client'
import { own } from '@/core/own'
import { Popover } from 'radix-ui'
import { alterationChoices, alterationSteps } from '@/core/plan'
import type { Alteration, SectionId } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { buttonClass } from '../parts/button'
import { Choice } from '../parts/choice'
import { attempt } from './use-acts'
import { Panel } from '../parts/panel'

/** How each alteration is called, and its settings; the first stands for what the design has of its own. */
const WORDS: Readonly<Record<Alteration, readonly [name: string, own: string, settings: Readonly<Record<string, string>>]>> = {
  above: ['Space above', 'as designed', { none: 'none', less: 'half', more: 'more' }],
  below: ['Space below', 'as designed', { none: 'none', less: 'half', more: 'more' }],
  heading: ['Heading', 'as designed', { smaller: 'a step smaller', larger: 'a step larger' }],
  measure: ['Measure', 'as designed', { narrow: 'narrower', wide: 'wider' }],
  align: ['Words', 'as designed', { start: 'at the start', center: 'in the middle', end: 'at the end' }],
  side: ['Side', 'as designed', { other: 'the other one' }],
  columns: ['Columns', 'as designed', { '2': '2', '3': '3', '4': '4' }],
  frame: ['Frame', 'as designed', { '1:1': '1:1', '4:5': '4:5', '4:3': '4:3', '3:2': '3:2', '16:9': '16:9' }],
  stagger: ['Stagger', 'as designed', { none: 'level' }],
}
const OWN = ''

/** Alterations of the sections chosen: what their designs can do, and no more. The sheets follow each press. */
export function AlterButton({ sections }: { sections: readonly SectionId[] }) {
  const store = useJobStore()
  const { pack } = store.getState()
  // What is offered hangs on the sections and the template alone, not on what is typed.
  useJob((s) => s.document.sections)
  useJob((s) => s.document.dress)
  const choices = alterationChoices(pack, store.getState().document, sections)
  const altered = choices.filter(({ value }) => value !== null).length
  const set = (part: Alteration, value: string | null): void => {
    const steps = alterationSteps(pack, store.getState().document, sections, part, value)
    if (steps.length > 0) attempt(store, steps, 'The section was not altered')
  }
  return (
    <Popover.Root>
      <Popover.Trigger
        className={buttonClass('quiet')}
        disabled={sections.length === 0}
        data-alter
        title={sections.length === 0 ? 'Choose a section first.' : 'Space, heading, columns… (c)'}
      >
        Alter
        {altered > 0 && <span className="font-mono text-xs">{altered}</span>}
      </Popover.Trigger>
      <Panel align="end" collisionPadding={16} sideOffset={2} className="grid gap-1.5 p-3" aria-label="Alter">
        {choices.length === 0 && <p className="text-sm text-soft">This design cannot be altered.</p>}
        {choices.map(({ part, settings, value }) => {
          const [name, usual, words] = WORDS[part]
          return (
            <Choice
              key={part}
              label={name}
              value={value ?? OWN}
              options={[[OWN, usual], ...settings.map((setting) => [setting, own(words, setting) ?? setting] as const)]}
              onValue={(next) => set(part, next === OWN ? null : next)}
            />
          )
        })}
        <p className="pt-1 text-xs text-soft">← → through the settings · Tab to the next · Esc closes</p>
      </Panel>
    </Popover.Root>
  )
}
