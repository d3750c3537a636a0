'use client'
import { Dialog } from 'radix-ui'
import { useRef, useState } from 'react'
import type { PackFault } from '@/core/pack'
import { importedPackSchema } from '@/core/replies'
import { Button } from '../parts/button'
import { count } from '../parts/words'
import { FileInput } from '../parts/file-input'
import { ApiError, sentenceOf, upload } from '../request/api'

/** Brings a template pack in; what is wrong with one is listed by file and line. */
export function ImportPack() {
  const input = useRef<HTMLInputElement>(null)
  const [busy, setBusy] = useState(false)
  const [refused, setRefused] = useState<{ readonly words: string; readonly faults: readonly PackFault[] } | null>(null)
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return
    setBusy(true)
    try {
      const { templates } = await upload(`/api/packs?name=${encodeURIComponent(file.name)}`, file, importedPackSchema)
      // The templates are the whole application's: the page starts again with the new one among them.
      window.location.assign(`?show=particulars&of=${templates[0] ?? ''}`)
    } catch (error) {
      const words = sentenceOf(error, 'The pack could not be read. Choose it again.')
      setRefused({ words, faults: error instanceof ApiError ? error.faults : [] })
    } finally {
      setBusy(false)
    }
  }
  return (
    <>
      <Button look="quiet" onClick={() => input.current?.click()} disabled={busy}>
        {busy ? 'Reading the pack…' : 'Import pack'}
      </Button>
      <FileInput input={input} label="Template pack" accept=".zip,application/zip" onFiles={([file]) => void take(file)} />
      <Dialog.Root open={refused !== null} onOpenChange={(open) => !open && setRefused(null)}>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/50" />
          <Dialog.Content
            className={
              'fixed inset-x-0 top-[8vh] z-50 mx-auto flex max-h-[84vh] w-[min(60rem,94vw)] flex-col border border-ink bg-cloth p-5'
            }
          >
            <Dialog.Title className="text-xl font-bold tracking-tight">The pack was not imported</Dialog.Title>
            <Dialog.Description className="mt-1 text-soft">{refused?.words}</Dialog.Description>
            {refused && refused.faults.length > 0 && (
              <div
                className="mt-3 min-h-0 overflow-auto border-y border-seam"
                tabIndex={0}
                aria-label={count(refused.faults.length, 'fault')}
              >
                <table className="w-full text-sm">
                  <thead className="sticky top-0 bg-cloth text-start text-soft">
                    <tr>
                      <th scope="col" className="py-1 pe-4 text-start font-medium">
                        File
                      </th>
                      <th scope="col" className="pe-4 text-end font-medium">
                        Line
                      </th>
                      <th scope="col" className="text-start font-medium">
                        Fault
                      </th>
                    </tr>
                  </thead>
                  <tbody>
                    {refused.faults.map((f, i) => (
                      <tr key={i} className="border-t border-seam align-baseline">
                        <td className="whitespace-nowrap py-1 pe-4 font-mono text-xs">{f.file}</td>
                        <td className="pe-4 text-end font-mono text-xs">{f.line || ''}</td>
                        <td>{f.fault}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </div>
            )}
            <Dialog.Close asChild>
              <Button className="mt-4 self-end">Close</Button>
            </Dialog.Close>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  )
}
