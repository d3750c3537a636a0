import { makeScheme, type BrandColours, type SchemeSpec } from '@/core/colour'
import type { Tone } from '@/core/site'
import { memo } from 'react'

const SHOWN: readonly Tone[] = ['paper', 'tint', 'accent', 'ink']

/** A scheme in small: each tone's surface with its text and its mark on it, computed with the client's colours. */
export const SchemeSwatch = memo(function SchemeSwatch({ spec, brand, dark }: { spec: SchemeSpec; brand: BrandColours; dark: boolean }) {
  const scheme = makeScheme(spec, brand, dark)
  return (
    <span className="inline-flex border border-ink" aria-hidden>
      {SHOWN.map((tone) => (
        <span
          key={tone}
          className="flex h-6 w-8 items-center justify-center gap-0.5 text-xs font-bold"
          style={{ background: scheme[tone].surface, color: scheme[tone].text }}
        >
          a<span className="block size-2" style={{ background: scheme[tone].button }} />
        </span>
      ))}
    </span>
  )
})
