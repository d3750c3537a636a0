'use client'
import { Command } from 'cmdk'
import { Popover } from 'radix-ui'
import { useMemo, useRef, useState, type ReactNode } from 'react'
import { findAmong, linkChoices, subjectOf, typedTargets, withSubject, type LinkChoice } from '@/core/plan'
import type { LinkTarget } from '@/core/site'
import { useJobStore } from '../job/job-context'
import { useFileTarget } from '../job/use-file-target'
import { FileInput } from '../parts/file-input'
import { inputClass } from '../parts/field'
import { Panel } from '../parts/panel'
import { giveBack } from './give-back'

type Props = {
  readonly label: string
  /** Where it leads now; null where it is no link yet. */
  readonly to: LinkTarget | null
  readonly onTarget: (to: LinkTarget) => void
  /** Takes the link off; left out where there must be one. */
  readonly onNone?: (() => void) | undefined
  /** Whether it opens in a tab of its own; left out where that cannot be said. */
  readonly tab?: { readonly on: boolean; readonly onTab: (on: boolean) => void }
  /** What is in hand once the list closes. */
  readonly handTo: () => void
  readonly open: boolean
  readonly onOpen: (open: boolean) => void
  /** Where the words stand in the window that it is for, so that it lies beside them; left out: beside its button. */
  readonly wordsAt?: () => DOMRect
  /** The button that opens it. */
  readonly children: ReactNode
}

/** Where a link leads, picked by typing: a page, a place on one, a fact, a file, an address, a mail, a call, a message. */
export function LinkPicker(props: Props) {
  const { label, handTo, open, onOpen, wordsAt, children } = props
  const anchor = useRef({ getBoundingClientRect: () => wordsAt?.() ?? new DOMRect() })
  const close = (): void => giveBack(() => onOpen(false), handTo)
  return (
    <Popover.Root open={open} onOpenChange={onOpen}>
      <Popover.Trigger asChild>{children}</Popover.Trigger>
      {wordsAt && <Popover.Anchor virtualRef={anchor} />}
      <Panel
        align="start"
        data-word-tools
        aria-label={label}
        onCloseAutoFocus={(event) => {
          event.preventDefault()
          handTo()
        }}
        className="flex max-h-[min(26rem,var(--radix-popover-content-available-height))] w-96 flex-col"
      >
        <Targets {...props} onClose={close} />
      </Panel>
    </Popover.Root>
  )
}

const GROUPS = ['As typed', 'Pages', 'Client facts', 'Places on pages', 'Files'] as const

function Targets({ label, to, onTarget, onNone, tab, onClose }: Props & { readonly onClose: () => void }) {
  const store = useJobStore()
  const [asked, setAsked] = useState(to?.type === 'url' ? to.url : '')
  const all = useMemo(() => linkChoices(store.getState()), [store])
  const file = useFileTarget((target) => pick(target))
  const pick = (target: LinkTarget): void => {
    onTarget(target)
    onClose()
  }
  const found = [...typedTargets(asked), ...findAmong(all, to?.type === 'url' && asked === to.url ? '' : asked, 40)]
  return (
    <Command label={label} shouldFilter={false} loop className="flex min-h-0 flex-col">
      <Command.Input
        autoFocus
        value={asked}
        onValueChange={setAsked}
        onFocus={(event) => event.target.select()}
        maxLength={2000}
        className={`${inputClass} rounded-none! border-0! border-b!`}
        placeholder="A page, a place, an address, a number"
        data-own-undo
      />
      <Command.List className="min-h-0 overflow-y-auto" label={label}>
        {found.length === 0 && <Nothing asked={asked} />}
        {GROUPS.map((group) => (
          <Group key={group} group={group} choices={found.filter((one) => one.group === group)} to={to} onPick={pick} />
        ))}
        <Command.Item value="file" onSelect={file.ask} className={`${item} border-t border-seam`}>
          {file.busy ? 'The file is on its way…' : 'A file for visitors (PDF)…'}
        </Command.Item>
        {onNone && to && (
          <Command.Item
            value="none"
            onSelect={() => {
              onNone()
              onClose()
            }}
            className={`${item} border-t border-seam`}
          >
            No link: the words stand alone
          </Command.Item>
        )}
      </Command.List>
      <Subject to={to} onTarget={onTarget} />
      {tab && to && (
        <label className="flex items-center gap-2 border-t border-seam px-3 py-1.5 text-sm">
          <input type="checkbox" checked={tab.on} onChange={(event) => tab.onTab(event.target.checked)} />
          Opens in a new tab; visitors are told
        </label>
      )}
      <FileInput input={file.input} label={`${label}, a file for visitors`} accept="application/pdf,.pdf" onFiles={file.take} />
    </Command>
  )
}

const item = 'block cursor-pointer px-3 py-1.5 text-sm data-[selected=true]:bg-tape'

type GroupProps = {
  readonly group: LinkChoice['group']
  readonly choices: readonly LinkChoice[]
  readonly to: LinkTarget | null
  readonly onPick: (to: LinkTarget) => void
}

function Group({ group, choices, to, onPick }: GroupProps) {
  if (choices.length === 0) return null
  return (
    <Command.Group
      heading={group}
      className={
        '[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-1.5 [&_[cmdk-group-heading]]:text-xs ' +
        '[&_[cmdk-group-heading]]:text-soft'
      }
    >
      {choices.map((one) => {
        const key = JSON.stringify(one.to)
        return (
          <Command.Item
            key={key}
            value={key}
            onSelect={() => onPick(one.to)}
            className={`${item} flex items-baseline justify-between gap-4`}
          >
            <span className="truncate">{one.title}</span>
            <span className="max-w-44 shrink-0 truncate text-xs text-soft">
              {key === JSON.stringify(to) ? 'leads here now' : one.detail}
            </span>
          </Command.Item>
        )
      })}
    </Command.Group>
  )
}

function Nothing({ asked }: { readonly asked: string }) {
  const isAddress = /^[a-z][a-z+.-]*:|[/.@]/i.test(asked)
  return (
    <p className="px-3 py-2.5 text-sm text-soft" role="status">
      {isAddress
        ? `“${asked}” is no address that a link can lead to. Write it whole, such as https://example.com/page.`
        : 'Nothing here is called that.'}
    </p>
  )
}

/** Of a mail, what it is about. */
function Subject({ to, onTarget }: { readonly to: LinkTarget | null; readonly onTarget: (to: LinkTarget) => void }) {
  const subject = to && subjectOf(to)
  if (!to || subject === null) return null
  return (
    <label className="flex items-center gap-2 border-t border-seam px-3 py-2 text-sm">
      Subject
      <input
        className={`${inputClass} flex-1`}
        maxLength={200}
        value={subject}
        onChange={(event) => onTarget(withSubject(to, event.target.value))}
      />
    </label>
  )
}
