'use client'
import { adviseBrand, type SchemeSpec } from '@/core/colour'
import type { Brand } from '@/core/site'
import { Field } from '../parts/field'
import { ColourInput, useColourInput } from './colour-input'

export type ColourPart = 'colour' | 'second' | 'third'
const PARTS: readonly ColourPart[] = ['colour', 'second', 'third']
type Props = { readonly brand: Brand; readonly spec: SchemeSpec; readonly onColour: (part: ColourPart, hex: string | null) => void }

/** Named apart from the fields, so that neither is taken for the other. */
const PICK_LABELS: Record<ColourPart, string> = { colour: 'Pick the colour', second: 'Pick the second one', third: 'Pick the third one' }
const COLOUR_LABELS: Record<ColourPart, string> = { colour: 'Brand colour', second: 'Second colour', third: 'Third colour' }

/** One to three colours, with what is worth saying of them. */
export function BrandColours({ brand, spec, onColour }: Props) {
  const advice = brand.colour === undefined ? [] : adviseBrand(spec, brand)
  return (
    <div className="grid gap-3 border-t border-seam pt-3">
      {PARTS.map((part) => (
        <OneColour key={part} part={part} value={brand[part]} onColour={onColour} />
      ))}
      {advice.length > 0 && (
        <ul className="text-sm text-soft" role="status">
          {advice.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
    </div>
  )
}

function OneColour({ part, value, onColour }: { part: ColourPart; value: string | undefined; onColour: Props['onColour'] }) {
  const input = useColourInput(value, (hex) => onColour(part, hex))
  const hint =
    part === 'colour'
      ? 'Any CSS colour. Text on it is kept readable by itself.'
      : part === 'second'
        ? 'If there is one: for accent sections.'
        : 'If there is one: for small marks and numbers.'
  return (
    <Field label={COLOUR_LABELS[part]} fault={input.fault} hint={value === undefined ? hint : undefined}>
      {(control) => <ColourInput input={input} value={value} control={control} label={COLOUR_LABELS[part]} pick={PICK_LABELS[part]} />}
    </Field>
  )
}
