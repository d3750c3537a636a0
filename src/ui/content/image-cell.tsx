'use client'
import { own } from '@/core/own'
import { useRef, type KeyboardEvent, type MouseEvent } from 'react'
import { thumbnailUrl, type AssetInfo } from '@/core/image'
import type { Focus, SlotValueOf } from '@/core/site'
import { PICTURE_TYPES } from '../fields/logo-input'
import { Button } from '../parts/button'
import { kilobytes } from '../parts/words'
import { FileInput } from '../parts/file-input'
import { useFileDrop } from '../parts/use-file-drop'

type Picture = SlotValueOf<'image'>
type Props = {
  readonly label: string
  readonly value: Picture | null
  readonly asset: AssetInfo | undefined
  readonly busy: boolean
  readonly onFile: (file: File) => void
  readonly onChange: (value: Picture) => void
}

/** A picture place: choose or drop a file, say what it shows, point at what must stay in sight. */
export function ImageCell({ label, value, asset, busy, onFile, onChange }: Props) {
  const input = useRef<HTMLInputElement>(null)
  const { over, target } = useFileDrop(([file]) => file && onFile(file))
  return (
    <div className={`flex items-start gap-2 rounded-sm ${over ? 'bg-tape' : ''}`} {...target}>
      {value && asset && <FocusPicker label={label} value={value} asset={asset} onFocus={(focus) => onChange({ ...value, focus })} />}
      <div className="grid flex-1 gap-1">
        <div className="flex items-center gap-2">
          <Button
            data-cell
            onClick={() => input.current?.click()}
            disabled={busy}
            aria-label={`${label}: ${value ? 'change' : 'choose'} picture`}
          >
            {busy ? 'Reading…' : value ? 'Change' : 'Choose picture'}
          </Button>
          <span className="text-sm text-soft">
            {asset && value ? `${asset.width} × ${asset.height}, ${kilobytes(asset.bytes)}` : 'or drop one here'}
          </span>
        </div>
        {value && (
          <input
            aria-label={`${label}: what it shows`}
            dir="auto"
            maxLength={500}
            className="w-full rounded-sm border border-seam bg-white px-2 py-1 text-sm placeholder:italic placeholder:text-soft"
            placeholder="what the picture shows, for those who do not see it"
            value={value.alt}
            onChange={(e) => onChange({ ...value, alt: e.target.value })}
          />
        )}
      </div>
      <FileInput input={input} label={`${label}: file`} accept={PICTURE_TYPES} onFiles={([file]) => file && onFile(file)} />
    </div>
  )
}

const STEP = 0.05

/** The point that stays in sight however the picture is cropped: click it, or move it with the arrow keys. */
function FocusPicker({
  label,
  value,
  asset,
  onFocus,
}: {
  label: string
  value: Picture
  asset: AssetInfo
  onFocus: (focus: Focus) => void
}) {
  const focus = value.focus ?? asset.focus
  const set = (x: number, y: number): void => onFocus({ x: clamp(x), y: clamp(y) })
  const click = (event: MouseEvent<HTMLButtonElement>): void => {
    if (event.detail === 0) return
    const box = event.currentTarget.getBoundingClientRect()
    set((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height)
  }
  const press = (event: KeyboardEvent): void => {
    const [dx, dy] = own(
      { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, -STEP], ArrowDown: [0, STEP] } as Record<string, [number, number]>,
      event.key,
    ) ?? [0, 0]
    if (dx === 0 && dy === 0) return
    event.preventDefault()
    set(focus.x + dx, focus.y + dy)
  }
  return (
    <button
      type="button"
      className="relative block w-20 shrink-0 border border-seam"
      aria-label={
        `${label}: point to keep in sight, at ${Math.round(focus.x * 100)} % across and ${Math.round(focus.y * 100)} % ` +
        'down; arrow keys move it'
      }
      title="Click what must stay in sight"
      onClick={click}
      onKeyDown={press}
    >
      <img src={thumbnailUrl(asset, 240)} alt="" className="block w-full" />
      <span
        aria-hidden
        className="absolute h-3 w-3 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-ink bg-tape"
        style={{ left: `${focus.x * 100}%`, top: `${focus.y * 100}%` }}
      />
    </button>
  )
}

function clamp(value: number): number {
  return Math.round(Math.min(1, Math.max(0, value)) * 100) / 100
}
