'use client'
import { Dialog } from 'radix-ui'
import { useState } from 'react'
import { Button } from '../parts/button'
import { KEY_MAP, KEY_PLACES, type KeyName, type KeyPlace } from './key-map'
import { allKeyWords } from './key-words'
import { useIsApple, useKey } from './use-key'

/** One key shows all the others: those of the screen one is on first. */
export function KeyHelp({ here }: { readonly here: readonly KeyPlace[] }) {
  const [isOpen, setOpen] = useState(false)
  useKey('help', () => setOpen(true))
  return (
    <Dialog.Root open={isOpen} onOpenChange={setOpen}>
      <Dialog.Trigger
        className="flex min-w-6 items-center rounded-sm border border-clear px-1.5 text-sm text-soft hover:border-seam hover:bg-table"
        title="All keys (?)"
        aria-label="All keys"
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
          <div className="mb-4 flex items-baseline justify-between">
            <Dialog.Title className="text-xl font-bold tracking-tight">Keys</Dialog.Title>
            <Dialog.Close asChild>
              <Button>Close</Button>
            </Dialog.Close>
          </div>
          <div className="gap-8 [columns:2]">
            {inOrder(here).map((place) => (
              <KeysAt key={place} place={place} />
            ))}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
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
