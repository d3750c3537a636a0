import { siteLabels, type LabelRow as Row } from '@/core/fill'
import { MAX_LABEL, placeKey } from '@/core/site'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { RowFrame, type RowState } from './row-frame'
import { TextCell } from './text-cell'

type Props = { readonly label: string; readonly name: string; readonly inHand: boolean; readonly onHold: () => void }

/** A word that the site says of itself, such as “Telephone” or “Menu”. Emptied, it is the plain word of the site's language. */
export function LabelRow({ label, name, inHand, onHold }: Props) {
  const store = useJobStore()
  const gesture = useGesture()
  const row = useJob((s) => siteLabels(s.pack, s.document).find((one) => one.label === label))
  const onChange = (text: string | null): void =>
    void store.apply({ type: 'label/set', label, value: text === null ? null : { text } }, gesture(`label ${label}`))
  if (!row) return null
  const { value, placeholder, plain, leftover } = row
  return (
    <RowFrame
      id={placeKey({ type: 'label', label })}
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

function stateOf({ value, placeholder, plain, leftover }: Row): RowState {
  if (leftover) return 'leftover'
  if (value === null) return 'standard word'
  if (value === '') return plain === null ? 'not needed' : 'standard word'
  return value === placeholder ? 'kept' : 'client’s'
}
