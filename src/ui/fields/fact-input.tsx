'use client'
import { useState } from 'react'
import { FACT_LIMITS, findFactFault, type TextFact } from '@/core/site'
import { inputClass } from '../parts/field'

export type ControlProps = {
  readonly id?: string
  readonly 'aria-describedby'?: string
  readonly 'aria-invalid'?: true
  readonly 'aria-label'?: string
}

const TYPES: Partial<Record<TextFact, string>> = { phone: 'tel', email: 'email' }
const AUTOCOMPLETE = 'off'

/** What is shown and kept while a fact is typed: words too long to keep stay in the field with their fault. */
export function useFactInput(
  name: TextFact,
  value: string | undefined,
  onChange: (value: string | null) => void,
  country: string | null = null,
): { text: string; fault: string | null; change: (text: string) => void; leave: () => void } {
  const [typed, setTyped] = useState<string | null>(null)
  const [left, setLeft] = useState(false)
  const text = typed ?? value ?? ''
  const fault = findFactFault(name, text, country)
  const tooLong = (words: string): boolean => words.trim().length > FACT_LIMITS[name]
  return {
    text,
    fault: fault && (left || tooLong(text)) ? fault : null,
    leave: () => setLeft(true),
    change: (words) => {
      setTyped(tooLong(words) ? words : null)
      if (!tooLong(words)) onChange(words === '' ? null : words)
    },
  }
}

export function FactInput({
  name,
  input,
  control,
  list,
}: {
  name: TextFact
  input: ReturnType<typeof useFactInput>
  control: ControlProps
  list?: string
}) {
  return (
    <input
      {...control}
      type={name === 'email' ? 'text' : (TYPES[name] ?? 'text')}
      inputMode={name === 'email' ? 'email' : name === 'phone' ? 'tel' : 'text'}
      autoComplete={AUTOCOMPLETE}
      dir="auto"
      list={list}
      className={inputClass}
      value={input.text}
      onChange={(event) => input.change(event.target.value)}
      onBlur={input.leave}
    />
  )
}
