import { Field, inputClass } from '../parts/field'

type Props = {
  readonly label: string
  readonly value: string
  readonly onValue: (value: string) => void
  readonly type?: 'text' | 'email'
  readonly autoComplete: 'name' | 'username' | 'off'
  readonly hint?: string
}

export function TextInput({ label, value, onValue, type = 'text', autoComplete, hint }: Props) {
  return (
    <Field label={label} hint={hint}>
      {(control) => (
        <input
          {...control}
          type={type}
          value={value}
          onChange={(event) => onValue(event.target.value)}
          autoComplete={autoComplete}
          maxLength={200}
          required
          dir="auto"
          className={inputClass}
          data-own-undo
        />
      )}
    </Field>
  )
}
