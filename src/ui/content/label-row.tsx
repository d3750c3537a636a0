import type { LabelRow as Row } from '@/core/fill'
import { MAX_LABEL } from '@/core/site'
import { RowFrame, type RowState } from './row-frame'
import { TextCell } from './text-cell'

type Props = {
  readonly row: Row
  readonly inHand: boolean
  readonly onHold: () => void
  readonly onChange: (text: string | null) => void
}

/** A word that the site says of itself, such as “Telephone” or “Menu”. Emptied, it is the plain word of the site's language. */
export function LabelRow({ row, inHand, onHold, onChange }: Props) {
  const { label, value, placeholder, plain, leftover } = row
  return (
    <RowFrame
      id={`label ${label}`}
      label={label.charAt(0).toUpperCase() + label.slice(1).replaceAll('-', ' ')}
      template={
        <span dir="auto">
          {placeholder}
          {plain !== null && plain !== placeholder && <span className="block text-xs">plainly: {plain}</span>}
        </span>
      }
      state={stateOf(row)}
      inHand={inHand}
      onHold={onHold}
      onKeep={() => onChange(placeholder)}
      onPlain={leftover && plain !== null ? () => onChange('') : undefined}
      onBack={value === null ? undefined : () => onChange(null)}
    >
      <TextCell
        label={`Label: ${label.replaceAll('-', ' ')}`}
        lines="one"
        leftover={leftover}
        empty={plain ?? undefined}
        text={value ?? ''}
        onChange={(text) => onChange(text.slice(0, MAX_LABEL))}
      />
    </RowFrame>
  )
}

function stateOf({ value, placeholder, plain, leftover }: Row): RowState {
  if (leftover) return 'leftover'
  if (value === null) return 'plain word'
  if (value === '') return plain === null ? 'left empty' : 'plain word'
  return value === placeholder ? 'kept' : 'client’s'
}
