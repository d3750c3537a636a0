'use client'
import { directionOf, guessLanguage, languageName, OFFERED_LANGUAGES, wordsLanguage } from '@/core/words'
import { Field, inputClass } from '../parts/field'

type Props = {
  readonly value: string | undefined
  /** The language of the template's words, which the site speaks until another is chosen. */
  readonly template: string
  /** The client's own words, as a hint. */
  readonly words: string
  readonly onChange: (language: string | null) => void
}

/** The language that the client's site is written in, and so the way it runs, its labels, weekdays and quotation marks. */
export function LanguageInput({ value, template, words, onChange }: Props) {
  const now = value ?? template
  const guess = guessLanguage(words)
  const isOther = guess !== null && guess.split('-')[0] !== now.split('-')[0]
  return (
    <Field label="Language of the site" hint={<Hint language={now} />}>
      {(control) => (
        <>
          <select {...control} className={inputClass} value={value ?? ''} onChange={(event) => onChange(event.target.value || null)}>
            <option value="">As the template: {languageName(template)}</option>
            {value !== undefined && !OFFERED_LANGUAGES.some(([tag]) => tag === value) && <option value={value}>{value}</option>}
            {OFFERED_LANGUAGES.map(([tag, name, own]) => (
              <option key={tag} value={tag}>
                {name === own ? name : `${name} – ${own}`}
              </option>
            ))}
          </select>
          {isOther && (
            <p className="mt-1 flex flex-wrap items-center gap-2 text-sm">
              The client’s words look like {languageName(guess)}.
              <button
                type="button"
                className="rounded-sm border border-seam px-1.5 hover:border-ink hover:bg-tape"
                onClick={() => onChange(guess)}
              >
                Use {languageName(guess)}
              </button>
            </p>
          )}
        </>
      )}
    </Field>
  )
}

function Hint({ language }: { language: string }) {
  const says = [
    ...(directionOf(language) === 'rtl' ? ['Runs from right to left, all through.'] : []),
    ...(wordsLanguage(language) === 'en' && !language.startsWith('en')
      ? ['Labels such as “Menu” come in English for it; change them in Content, under Every page.']
      : []),
  ]
  return says.length > 0 ? says.join(' ') : null
}
