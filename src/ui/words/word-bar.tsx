'use client'
import {
  AlignCenter,
  AlignLeft,
  AlignRight,
  ArrowLeftRight,
  Bold,
  CornerDownLeft,
  Heading,
  Italic,
  List,
  ListOrdered,
  Minimize,
  Quote,
  Tag,
} from 'lucide-react'
import { DropdownMenu, Toolbar } from 'radix-ui'
import { useEffect, useRef, useSyncExternalStore, type ReactNode } from 'react'
import { CHIP_FACTS, type ChipFact } from '@/core/site'
import { LinkButton } from './link-button'
import type { WordEditor } from './word-editor'
import { isOn, press, type Act } from './acts'

const ICON = 14
const button =
  'inline-grid size-6 shrink-0 place-items-center rounded-sm text-ink hover:bg-white ' +
  'data-[on=true]:bg-ink data-[on=true]:text-tape disabled:opacity-40'

type Props = {
  readonly words: WordEditor
  /** What a chip of a fact would show. */
  readonly chip: (fact: ChipFact) => string
}

/**
 * What can be done with words, in a strip beside them: on the tape over a sheet, or at the head of the ledger. Alt+F10 goes there, Escape
 * back into the words; the words keep their caret while the strip is used.
 */
export function WordBar({ words, chip }: Props) {
  useTransactions(words)
  const bar = useRef<HTMLDivElement>(null)
  useEffect(() => words.onBar(() => bar.current?.querySelector<HTMLElement>('button:not(:disabled)')?.focus()), [words])
  const { parts } = words.allowed
  return (
    <Toolbar.Root
      ref={bar}
      aria-label="Words"
      data-word-tools
      className="flex items-center gap-px bg-tape"
      onPointerDown={(event) => event.preventDefault()}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return
        event.stopPropagation()
        words.focus()
      }}
    >
      <BarButton words={words} act="strong" label="Bold (Ctrl+B)">
        <Bold size={ICON} aria-hidden />
      </BarButton>
      <BarButton words={words} act="em" label="Italic (Ctrl+I)">
        <Italic size={ICON} aria-hidden />
      </BarButton>
      <LinkButton words={words} className={button} />
      <ChipMenu words={words} chip={chip} />
      <Gap />
      <BarButton words={words} act="dots" label="List (Ctrl+Shift+8)">
        <List size={ICON} aria-hidden />
      </BarButton>
      <BarButton words={words} act="numbers" label="Numbered list (Ctrl+Shift+7)">
        <ListOrdered size={ICON} aria-hidden />
      </BarButton>
      {parts && (
        <>
          <BarButton words={words} act="heading" label="Sub-heading">
            <Heading size={ICON} aria-hidden />
          </BarButton>
          <BarButton words={words} act="quote" label="Quotation (Ctrl+Shift+B)">
            <Quote size={ICON} aria-hidden />
          </BarButton>
        </>
      )}
      <BarButton words={words} act="small" label="Small print">
        <Minimize size={ICON} aria-hidden />
      </BarButton>
      <Gap />
      <BarButton words={words} act="break" label="Line break (Shift+Enter)">
        <CornerDownLeft size={ICON} aria-hidden />
      </BarButton>
      <BarButton words={words} act="start" label="At the start of the line">
        <AlignLeft size={ICON} aria-hidden className="rtl:-scale-x-100" />
      </BarButton>
      <BarButton words={words} act="center" label="In the middle">
        <AlignCenter size={ICON} aria-hidden />
      </BarButton>
      <BarButton words={words} act="end" label="At the end of the line">
        <AlignRight size={ICON} aria-hidden className="rtl:-scale-x-100" />
      </BarButton>
      <BarButton words={words} act="turn" label="The other direction">
        <ArrowLeftRight size={ICON} aria-hidden />
      </BarButton>
    </Toolbar.Root>
  )
}

function Gap() {
  return <span aria-hidden className="mx-0.5 h-4 w-px bg-ink/40" />
}

function BarButton({ words, act, label, children }: { words: WordEditor; act: Act; label: string; children: ReactNode }) {
  const on = isOn(words.editor, act)
  return (
    <Toolbar.Button
      type="button"
      className={button}
      aria-label={label.replace(/ \(.*/, '')}
      title={label}
      aria-pressed={on}
      data-on={on}
      onClick={(event) => {
        press(words.editor, act)
        // A press by hand leaves the hand in the words; one by keys leaves it on the bar.
        if (event.detail > 0) words.focus()
      }}
    >
      {children}
    </Toolbar.Button>
  )
}

const CHIP_NAMES: Readonly<Record<ChipFact, string>> = {
  name: 'Name',
  tagline: 'Tagline',
  phone: 'Telephone',
  email: 'Email',
  address: 'Address',
  locality: 'Town',
  year: 'This year',
}

/** A fact in the middle of the words: it shows what the client's facts say, and follows them. */
function ChipMenu({ words, chip }: Pick<Props, 'words' | 'chip'>) {
  return (
    <DropdownMenu.Root>
      <Toolbar.Button asChild>
        <DropdownMenu.Trigger className={button} aria-label="A fact" title="A fact: it follows the client’s facts">
          <Tag size={ICON} aria-hidden />
        </DropdownMenu.Trigger>
      </Toolbar.Button>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          sideOffset={2}
          data-word-tools
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            words.focus()
          }}
          className="z-30 min-w-56 border border-ink bg-cloth py-1"
        >
          {CHIP_FACTS.map((fact) => (
            <DropdownMenu.Item
              key={fact}
              disabled={chip(fact) === ''}
              onSelect={() => words.editor.commands.insertContent({ type: 'chip', attrs: { fact } })}
              className="flex justify-between gap-6 px-3 py-1.5 text-sm outline-none data-[disabled]:text-soft data-[highlighted]:bg-tape"
            >
              {CHIP_NAMES[fact]}
              <span className="max-w-48 truncate text-soft">{chip(fact) === '' ? 'not known yet' : chip(fact)}</span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

/** Draws again whenever the words or the caret in them change. */
function useTransactions({ editor }: WordEditor): void {
  useSyncExternalStore(
    (onChange) => {
      editor.on('transaction', onChange)
      return () => void editor.off('transaction', onChange)
    },
    () => editor.state,
    () => editor.state,
  )
}
