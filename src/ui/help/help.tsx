'use client'
import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { Button } from '../parts/button'
import { helpOf, type HelpText } from './help-text'
import { KEY_MAP, KEY_PLACES, type KeyName, type KeyPlace } from '../keys/key-map'
import { allKeyWords } from '../keys/key-words'
import { useIsApple, useKey } from '../keys/use-key'

/** What a screen is for, its words, an example, and all keys, those of the screen first: one key shows it anywhere. */
export function Help({ screen }: { readonly screen: string }) {
  const [isOpen, setOpen] = useState(false)
  const help = helpOf(screen)
  useKey('help', () => setOpen(true))
  return (
    <Dialog.Root open={isOpen} onOpenChange={setOpen}>
      <Dialog.Trigger
        className="flex min-w-6 items-center rounded-sm border border-clear px-1.5 text-sm text-soft hover:border-seam hover:bg-table"
        title="What this screen is for, and all keys (?)"
        aria-label="Help"
      >
        <kbd className="border border-seam px-1 font-mono text-xs">?</kbd>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className={
            'fixed inset-x-0 top-12 z-40 mx-auto max-h-[calc(100dvh-4rem)] w-[58rem] max-w-full overflow-y-auto border border-t-0 ' +
            'border-ink bg-cloth p-6 shadow-lg'
          }
        >
          <div className="mb-3 flex items-baseline justify-between">
            <Dialog.Title className="text-xl font-bold tracking-tight">{help?.title ?? 'Keys'}</Dialog.Title>
            <Dialog.Close asChild>
              <Button>Close</Button>
            </Dialog.Close>
          </div>
          {help && <About help={help} />}
          <div className="gap-8 [columns:2]">
            {inOrder(help?.keys ?? []).map((place) => (
              <KeysAt key={place} place={place} />
            ))}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

function About({ help: { use, example, words } }: { readonly help: HelpText }) {
  return (
    <div className="mb-6 grid grid-cols-2 gap-8">
      <div>
        <p>{use}</p>
        <p className="mt-3 border-s-2 border-tape ps-3 text-sm">
          <span className="font-semibold">For example:</span> {example}
        </p>
      </div>
      <section>
        <h2 className="mb-1 border-b border-seam pb-1 text-sm font-semibold">Words</h2>
        <dl className="grid gap-y-1 text-sm">
          {words.map(([word, meaning]) => (
            <div key={word}>
              <dt className="inline font-semibold">{word}: </dt>
              <dd className="inline">{meaning}</dd>
            </div>
          ))}
        </dl>
      </section>
    </div>
  )
}

function KeysAt({ place }: { readonly place: KeyPlace }) {
  const isApple = useIsApple()
  const names = (Object.keys(KEY_MAP) as KeyName[]).filter((name) => KEY_MAP[name].at === place)
  return (
    <section className="mb-5 break-inside-avoid">
      <h2 className="mb-1 border-b border-seam pb-1 text-sm font-semibold">{KEY_PLACES[place]}</h2>
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-3 gap-y-1 text-sm">
        {names.map((name) => (
          <div key={name} className="col-span-2 grid grid-cols-subgrid items-baseline">
            <dt>
              <kbd className="whitespace-nowrap border border-seam px-1 font-mono text-xs">{allKeyWords(name, isApple)}</kbd>
            </dt>
            <dd>{KEY_MAP[name].does}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

function inOrder(here: readonly KeyPlace[]): readonly KeyPlace[] {
  const all = Object.keys(KEY_PLACES) as KeyPlace[]
  return [...here, ...all.filter((place) => !here.includes(place))]
}
