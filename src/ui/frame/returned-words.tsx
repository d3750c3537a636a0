'use client'
import { useJob, useJobStore } from '../job/job-context'
import { Button } from '../parts/button'
import { CopyButton } from '../parts/copy-button'

/** Changes that could not be kept, each with its words, to be read and copied until they are put away. */
export function ReturnedWords() {
  const store = useJobStore()
  const all = useJob((s) => s.givenBack)
  if (all.length === 0) return null
  return (
    <section
      aria-label="Changes that could not be kept"
      role="alert"
      className="max-h-40 shrink-0 overflow-y-auto border-b border-ink bg-tape"
    >
      <ul>
        {all.map(({ id, sentence, words }) => (
          <li key={id} className="flex items-center gap-3 border-t border-tape-dark px-4 py-1.5 first:border-t-0">
            <p className="max-w-[40%] shrink-0 font-semibold">{sentence}</p>
            <p className="min-w-0 flex-1 whitespace-pre-line break-words" dir="auto">
              {words.join('\n')}
            </p>
            {words.length > 0 && <CopyButton text={words.join('\n')} label="Copy the words" />}
            <Button onClick={() => store.dismiss(id)}>Dismiss</Button>
          </li>
        ))}
      </ul>
    </section>
  )
}
