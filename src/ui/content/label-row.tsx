import { own } from '@/core/own'
import type { LabelRow as Row } from '@/core/fill'
import { DAY_NAMES, MAX_LABEL } from '@/core/site'
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
  const name = nameOf(label)
  return (
    <RowFrame
      id={`label ${label}`}
      label={name}
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
        label={`Label: ${name}`}
        lines="one"
        leftover={leftover}
        empty={plain ?? undefined}
        text={value ?? ''}
        onChange={(text) => onChange(text.slice(0, MAX_LABEL))}
      />
    </RowFrame>
  )
}

/** What we call a label on our own screens. */
function nameOf(label: string): string {
  return own(NAMES, label) ?? label.charAt(0).toUpperCase() + label.slice(1).replaceAll('-', ' ')
}

const NAMES: Readonly<Record<string, string>> = {
  skip: 'Link to the content',
  pages: 'Menu, as it is read out',
  'pages-again': 'Menu at the foot, read out',
  ...DAY_NAMES,
}

function stateOf({ value, placeholder, plain, leftover }: Row): RowState {
  if (leftover) return 'leftover'
  if (value === null) return 'plain word'
  if (value === '') return plain === null ? 'left empty' : 'plain word'
  return value === placeholder ? 'kept' : 'client’s'
}
