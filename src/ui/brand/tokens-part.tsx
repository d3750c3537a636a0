'use client'
import { factsOf } from '@/core/site'
import { useRef, useState } from 'react'
import { planTokens, readTokens, toCssVariables, toDesignTokens, type TokensPlan } from '@/core/brand'
import { useJobStore } from '../job/job-context'
import { Button, buttonClass } from '../parts/button'
import { Fault } from '../parts/fault'
import { inputClass } from '../parts/field'
import { FileInput } from '../parts/file-input'
import { saveFile } from '../parts/save-file'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

/** A file of tokens larger than this is no brand's. */
const MOST_BYTES = 2_000_000
type Waiting = { readonly name: string; readonly plan: TokensPlan }

/** The brand out as design tokens, CSS variables or a sheet to print; and in again, seen before it is done. */
export function TokensPart() {
  const store = useJobStore()
  const site = useSite()
  const { setAll } = useBrand()
  const [waiting, setWaiting] = useState<Waiting | null>(null)
  const [fault, setFault] = useState<string | null>(null)
  const [pasted, setPasted] = useState('')
  const input = useRef<HTMLInputElement>(null)
  const read = (name: string, text: string): void => {
    const found = readTokens(text)
    setFault(found.ok ? null : `${name}: ${found.fault}`)
    if (!found.ok) return setWaiting(null)
    const plan = planTokens(site, found.tokens)
    setWaiting({ name, plan: { ...plan, notes: [...found.notes, ...plan.notes] } })
  }
  const takeFile = async (file: File | undefined): Promise<void> => {
    if (!file) return
    if (file.size > MOST_BYTES) return setFault(`“${file.name}” is too large for a file of tokens: up to 2 MB can be read.`)
    read(`“${file.name}”`, await file.text())
  }
  const slug =
    (factsOf(site.document).name ?? 'brand')
      .toLowerCase()
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '') || 'brand'
  return (
    <>
      <h2 className="mb-1 font-bold">Out</h2>
      <div className="grid justify-items-start gap-1.5">
        <a className={buttonClass()} href={`/brand-sheet/${store.getState().id}`} target="_blank" rel="noreferrer">
          Brand sheet, to print or save as PDF
        </a>
        <Button onClick={() => saveTokens(`${slug}.tokens.json`, 'application/json', `${JSON.stringify(toDesignTokens(site), null, 2)}\n`)}>
          Save as design tokens (JSON)
        </Button>
        <Button onClick={() => saveTokens(`${slug}.css`, 'text/css', toCssVariables(site))}>Save as CSS variables</Button>
      </div>
      <h2 className="mt-5 mb-1 font-bold">In</h2>
      <p className="mb-1.5 text-sm text-soft">A file of design tokens (JSON) or CSS with variables. What it would change is said first.</p>
      <Button onClick={() => input.current?.click()}>Choose a file</Button>
      <FileInput
        input={input}
        label="File of tokens"
        accept=".json,.css,.tokens,application/json,text/css"
        onFiles={([file]) => void takeFile(file)}
      />
      <textarea
        aria-label="Tokens as text"
        className={`${inputClass} mt-2 h-24 font-mono text-xs!`}
        placeholder="or paste them here"
        spellCheck={false}
        value={pasted}
        onChange={(event) => {
          setPasted(event.target.value)
          if (event.target.value.trim() === '') {
            setWaiting(null)
            setFault(null)
          } else read('What was pasted', event.target.value)
        }}
      />
      <Fault words={fault} className="mt-1 text-sm" />
      {waiting && (
        <div role="status" className="mt-2 border border-ink p-2">
          <p className="text-sm font-semibold">
            {waiting.name} {waiting.plan.sets.length === 0 ? 'changes nothing.' : 'would set:'}
          </p>
          <ul className="text-sm">
            {waiting.plan.sets.map((words) => (
              <li key={words}>– {words}</li>
            ))}
          </ul>
          {waiting.plan.notes.length > 0 && (
            <ul className="mt-1 max-h-40 overflow-y-auto text-sm text-soft">
              {waiting.plan.notes.slice(0, 50).map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          )}
          <div className="mt-2 flex gap-1.5">
            <Button
              look="main"
              disabled={waiting.plan.edits.length === 0}
              onClick={() => {
                setAll(waiting.plan.edits)
                setWaiting(null)
                setPasted('')
              }}
            >
              Set these
            </Button>
            <Button
              look="quiet"
              onClick={() => {
                setWaiting(null)
                setPasted('')
              }}
            >
              Leave it
            </Button>
          </div>
        </div>
      )}
    </>
  )
}

function saveTokens(name: string, type: string, text: string): void {
  saveFile(name, new Blob([text], { type }))
}

/** The tokens as they would be saved. */
export function TokensPreview() {
  const site = useSite()
  return <pre className="text-xs leading-snug">{toCssVariables(site)}</pre>
}
