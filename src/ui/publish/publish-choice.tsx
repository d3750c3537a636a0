import { useId } from 'react'
import type { PageId } from '@/core/site'
import type { ChosenAlone } from './use-alone'

type Props = { readonly chosen: ChosenAlone; readonly disabled: boolean }

/** All that has changed goes out, or one page alone. */
export function PublishChoice({ chosen: { choices, alone, choose }, disabled }: Props) {
  const id = useId()
  if (choices.length === 0) return null
  return (
    <div className="mb-2">
      <label className="flex items-center gap-2 text-sm font-semibold">
        Publish
        <select
          className="min-w-0 max-w-96 rounded-sm border border-seam bg-white px-2 py-1 font-normal"
          aria-describedby={alone ? id : undefined}
          disabled={disabled}
          value={alone?.page ?? ''}
          onChange={({ target }) => choose(target.value === '' ? null : (target.value as PageId))}
        >
          <option value="">all changes</option>
          {choices.map(({ page, name }) => (
            <option key={page} value={page}>
              only “{name}”
            </option>
          ))}
        </select>
      </label>
      {alone && (
        <p id={id} className="mt-1 text-sm text-soft">
          Its own words, pictures and sections go out. Other pages, and what every page shows (facts, brand, header, footer), stay as
          visitors have them.
        </p>
      )}
    </div>
  )
}
