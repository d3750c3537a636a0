'use client'
import { useRef, useState } from 'react'
import { ownFamilies } from '@/core/type'
import { useJobStore } from '../job/job-context'
import { sentenceOf, uploadFont } from '../request/api'
import { Button } from '../parts/button'
import { count } from '../parts/words'
import { FileInput } from '../parts/file-input'
import { useFileDrop } from '../parts/use-file-drop'
import { useBrand } from './use-brand'

type Word = { readonly text: string; readonly isFault: boolean }

/** The client's own font files: brought in one or several at a time, with what each permits and lacks. */
export function OwnFonts() {
  const store = useJobStore()
  const { brand, set } = useBrand()
  const [busy, setBusy] = useState<string | null>(null)
  const [words, setWords] = useState<readonly Word[]>([])
  const input = useRef<HTMLInputElement>(null)
  const take = async (files: readonly File[]): Promise<void> => {
    setWords([])
    const heard: Word[] = []
    for (const file of files) {
      setBusy(file.name)
      try {
        const { font, notes } = await uploadFont(store.getState().id, file)
        const now = store.getState().document.brand.fonts ?? []
        if (now.some((f) => f.file === font.file)) heard.push({ text: `“${file.name}” is here already.`, isFault: false })
        else set('fonts', [...now, font])
        heard.push(
          ...notes.map((note) => ({
            text: `${font.name} ${font.weight}${font.style === 'italic' ? ' italic' : ''}: ${note}`,
            isFault: false,
          })),
        )
      } catch (error) {
        heard.push({
          text: sentenceOf(error, `“${file.name}” could not be read. Choose it again.`),
          isFault: true,
        })
      }
      setWords([...heard])
    }
    setBusy(null)
  }
  const takeOut = (key: string): void => {
    const rest = (brand.fonts ?? []).filter((f) => f.family !== key)
    set('fonts', rest.length === 0 ? null : rest)
  }
  const { over, target } = useFileDrop((files) => void take(files))
  return (
    <div className={`mt-3 ${over ? 'bg-tape' : ''}`} role="group" aria-label="The client’s own fonts" {...target}>
      <Button disabled={busy !== null} onClick={() => input.current?.click()}>
        Add font files
      </Button>
      <span className="ms-2 text-sm text-soft">WOFF2, WOFF, TTF, OTF</span>
      <FileInput
        input={input}
        label="Font files"
        accept=".woff2,.woff,.ttf,.otf,.ttc,font/*"
        multiple
        onFiles={(files) => void take(files)}
      />
      {busy && (
        <p role="status" className="mt-1 text-sm text-soft">
          Reading {busy}…
        </p>
      )}
      {words.length > 0 && (
        <ul className="mt-1 grid gap-1 text-sm">
          {words.map(({ text, isFault }) => (
            <li key={text} role={isFault ? 'alert' : undefined} className={isFault ? 'font-medium text-thread' : 'text-soft'}>
              {isFault ? '✕ ' : ''}
              {text}
            </li>
          ))}
        </ul>
      )}
      <ul>
        {ownFamilies(brand.fonts ?? []).map((family) => (
          <li key={family.key} className="mt-1 flex items-center justify-between gap-2 border-t border-seam pt-1">
            <span>
              {family.name} <span className="text-sm text-soft">{count(family.files.length, 'file')}</span>
            </span>
            <Button look="quiet" aria-label={`Remove ${family.name}`} onClick={() => takeOut(family.key)}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
    </div>
  )
}
