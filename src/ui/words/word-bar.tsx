'use client'
import { Tag } from 'lucide-react'
import { DropdownMenu, Toolbar } from 'radix-ui'
import { useEffect, useRef, useState, useSyncExternalStore } from 'react'
import { CHIP_FACTS, type ChipFact } from '@/core/site'
import { giveBack } from './give-back'
import { LinkButton } from './link-button'
import type { WordEditor } from './word-editor'
import { LINES, LISTS, PARTS, SETTINGS, SMALL, type Act } from './acts'

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
      <Acts words={words} acts={SETTINGS} />
      <LinkButton words={words} className={button} />
      <ChipMenu words={words} chip={chip} />
      <Gap />
      <Acts words={words} acts={[...LISTS, ...(words.allowed.parts ? PARTS : []), ...SMALL]} />
      <Gap />
      <Acts words={words} acts={LINES} />
    </Toolbar.Root>
  )
}

function Gap() {
  return <span aria-hidden className="mx-0.5 h-4 w-px bg-ink/40" />
}

function Acts({ words, acts }: { readonly words: WordEditor; readonly acts: readonly Act[] }) {
  const { editor } = words
  return acts.map(({ name, key, icon: Icon, isOn, press }) => (
    <Toolbar.Button
      key={name}
      type="button"
      className={button}
      aria-label={name}
      title={key ? `${name} (${key})` : name}
      aria-pressed={isOn(editor)}
      data-on={isOn(editor)}
      onClick={(event) => {
        press(editor.chain(), editor).run()
        // A press by hand leaves the hand in the words; one by keys leaves it on the bar.
        if (event.detail > 0) words.focus()
      }}
    >
      <Icon size={ICON} aria-hidden />
    </Toolbar.Button>
  ))
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
  const [open, setOpen] = useState(false)
  const put = (fact: ChipFact): void => {
    words.editor.commands.insertContent({ type: 'chip', attrs: { fact } })
    giveBack(
      () => setOpen(false),
      () => words.focus(),
    )
  }
  return (
    <DropdownMenu.Root open={open} onOpenChange={setOpen}>
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
              onSelect={() => put(fact)}
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
