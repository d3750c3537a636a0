'use client'
import { useId, useRef, useState } from 'react'
import { findVerificationFault, isVerificationFile, MAX_VERIFICATION_FILE, verificationNameSchema } from '@/core/site'
import { readVerificationTag } from '@/core/release'
import * as v from 'valibot'
import { useJob, useJobStore } from '../../job/job-context'
import { Button } from '../../parts/button'
import { inputClass } from '../../parts/field'
import { FileInput } from '../../parts/file-input'
import { attempt, attemptWithUndo } from '../use-acts'

const NO_TAG = 'That is no tag with a name and a content. Paste it whole, from <meta to the last >.'
const NO_FILE = 'Such a file ends in .html, .txt or .xml and has a plain name, as the service gives it.'
const ACTIVE = 'There is more in that file than words, such as a script. A file that only verifies has none.'
const TOO_LONG = 'That is longer than anything that verifies a site.'

/** Tags and files that show search engines and other services whose site this is; they are the whole site's. */
export function Verifications() {
  const store = useJobStore()
  const kept = useJob((s) => s.document.verifications)
  const [typed, setTyped] = useState('')
  const [problem, setProblem] = useState('')
  const input = useRef<HTMLInputElement>(null)
  const field = useId()
  const set = (name: string, value: string): boolean => {
    const fault = findVerificationFault(name, value)
    if (fault !== null) setProblem(fault === 'active' ? ACTIVE : TOO_LONG)
    else setProblem('')
    return fault === null && attempt(store, { type: 'verification/set', name, value }, 'The code was not added') !== null
  }
  const addTag = (): void => {
    const tag = readVerificationTag(typed)
    if (!tag) return setProblem(NO_TAG)
    if (set(tag.name, tag.content)) setTyped('')
  }
  const addFile = async (file: File | undefined): Promise<void> => {
    if (!file) return
    if (!isVerificationFile(file.name) || !v.is(verificationNameSchema, file.name)) return setProblem(NO_FILE)
    if (file.size > MAX_VERIFICATION_FILE) return setProblem(TOO_LONG)
    const text = await file.text()
    if (text === '') return setProblem('The file is empty. Fetch it from the service again.')
    set(file.name, text)
  }
  return (
    <section aria-labelledby={`${field}-head`} className="mt-4 border-t border-seam pt-3">
      <h3 id={`${field}-head`} className="text-sm font-bold">
        Whose site this is
      </h3>
      <p className="text-sm text-soft">What a search engine or another service gives you to verify the whole site.</p>
      <form
        className="mt-1.5 flex gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          addTag()
        }}
      >
        <label className="min-w-0 flex-1">
          <span className="sr-only">A verification tag</span>
          <input
            className={`${inputClass} font-mono text-xs`}
            value={typed}
            placeholder="<meta name=… content=…>"
            spellCheck={false}
            data-own-undo
            aria-describedby={`${field}-problem`}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <Button type="submit">Add</Button>
        <Button onClick={() => input.current?.click()}>A file…</Button>
        <FileInput input={input} label="Verification file" accept=".html,.txt,.xml" onFiles={([file]) => void addFile(file)} />
      </form>
      <p id={`${field}-problem`} role="status" className="mt-1 text-sm text-thread">
        {problem}
      </p>
      {Object.keys(kept).length > 0 && (
        <ul className="mt-1 border border-seam bg-cloth text-sm" aria-label="Verifications">
          {Object.entries(kept).map(([name, content]) => (
            <li key={name} className="flex items-center gap-2 border-b border-grid px-2 py-1 last:border-b-0">
              <span className="min-w-0 flex-1 truncate font-mono text-xs" title={content}>
                {isVerificationFile(name) ? `/${name}` : `${name}: ${content}`}
              </span>
              <span className="shrink-0 text-xs text-soft">{isVerificationFile(name) ? 'file' : 'tag'}</span>
              <Button
                look="quiet"
                aria-label={`Take ${name} away`}
                onClick={() =>
                  attemptWithUndo(store, { type: 'verification/set', name, value: null }, `${name} stays`, `${name} is taken away.`)
                }
              >
                Take away
              </Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
