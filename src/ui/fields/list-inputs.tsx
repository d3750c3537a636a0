'use client'
import { useState } from 'react'
import { Field, inputClass } from '../parts/field'

/** A few keywords, parted by commas. */
export function KeywordsInput({ value, onChange }: { value: readonly string[]; onChange: (value: string[] | null) => void }) {
  const [typed, setTyped] = useState<string | null>(null)
  const change = (text: string): void => {
    setTyped(text)
    const words = [
      ...new Set(
        text
          .split(',')
          .map((w) => w.trim().slice(0, 60))
          .filter(Boolean),
      ),
    ].slice(0, 20)
    onChange(words.length > 0 ? words : null)
  }
  return (
    <Field label="Keywords" hint="A few words people would search for, parted by commas.">
      {(control) => (
        <input
          {...control}
          className={inputClass}
          dir="auto"
          maxLength={600}
          value={typed ?? value.join(', ')}
          onChange={(event) => change(event.target.value)}
          onBlur={() => setTyped(null)}
        />
      )}
    </Field>
  )
}

/** The client's profiles elsewhere, one address a line. */
export function SocialsInput({ value, onChange }: { value: readonly string[]; onChange: (value: string[] | null) => void }) {
  const [typed, setTyped] = useState<string | null>(null)
  const text = typed ?? value.join('\n')
  const wrong = text
    .split('\n')
    .map((line) => line.trim())
    .find((line) => line !== '' && toProfile(line) === null)
  const change = (words: string): void => {
    setTyped(words)
    const found = [
      ...new Set(
        words
          .split('\n')
          .map(toProfile)
          .filter((url) => url !== null),
      ),
    ].slice(0, 12)
    onChange(found.length > 0 ? found : null)
  }
  return (
    <Field
      label="Social profiles"
      hint="One address a line, such as example.social/tolliver."
      fault={wrong && typed !== null ? `“${wrong.slice(0, 60)}” is not a web address. Copy it from the address bar of the profile.` : null}
    >
      {(control) => (
        <textarea
          {...control}
          rows={2}
          className={inputClass}
          value={text}
          onChange={(event) => change(event.target.value)}
          onBlur={() => {
            if (!wrong) setTyped(null)
          }}
        />
      )}
    </Field>
  )
}

/** A web address as people write it, whole; null where it is none. */
function toProfile(line: string): string | null {
  const words = line.trim()
  if (words === '') return null
  const whole = /^https?:\/\//i.test(words) ? words : `https://${words}`
  if (/[\s<>"]/.test(words) || whole.length > 300 || !URL.canParse(whole)) return null
  const url = new URL(whole)
  return url.hostname.includes('.') ? url.href : null
}
