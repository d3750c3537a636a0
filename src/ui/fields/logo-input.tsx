'use client'
import { useRef, useState } from 'react'
import { thumbnailUrl, type AssetInfo } from '@/core/image'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { kilobytes } from '../parts/words'
import { FileInput } from '../parts/file-input'
import { useFileDrop } from '../parts/use-file-drop'
import { uploadLogo } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { useLogoAdvice } from './use-logo-advice'

export const PICTURE_TYPES = 'image/jpeg,image/png,image/webp,image/avif,image/gif,image/svg+xml,.svg'

type Props = {
  readonly job: string | null
  readonly asset: AssetInfo | undefined
  /** Whether there is a version for the surfaces on which this one cannot be seen: what was advised of that is done. */
  readonly hasOther?: boolean
  readonly onAsset: (asset: AssetInfo | null) => void
}

/** A logo chosen or dropped, with what is known of the file; what is wrong with one stands beside the button. */
export function LogoInput({ job, asset, hasOther = false, onAsset }: Props) {
  const { busy, fault, run } = useMutation({ otherwise: 'The logo could not be read. Choose it again.' })
  const [notes, setNotes] = useState<{ readonly of: string; readonly notes: readonly string[] } | null>(null)
  const advice = useLogoAdvice(asset)
  const said = [
    ...(notes && notes.of === asset?.id ? notes.notes : []),
    ...(advice?.advice ?? []),
    ...(hasOther ? [] : (advice?.needsOther ?? [])),
  ]
  const input = useRef<HTMLInputElement>(null)
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return
    await run(async () => {
      const stored = await uploadLogo(job, file)
      setNotes({ of: stored.asset.id, notes: stored.notes })
      onAsset(stored.asset)
    })
  }
  const { over, target } = useFileDrop(([file]) => void take(file))
  return (
    <div role="group" aria-label="Logo">
      <div
        className={
          'flex flex-wrap items-center gap-x-3 gap-y-1 border border-dashed p-2 ' +
          `${over ? 'border-ink bg-tape' : 'border-seam bg-cloth'}`
        }
        {...target}
      >
        {asset && (
          <img
            src={thumbnailUrl(asset, 400)}
            alt="The logo as chosen"
            className={`h-10 max-w-32 object-contain ${advice?.tone === 'light' ? 'bg-ink p-1' : ''}`}
          />
        )}
        <p className="min-w-28 flex-1 text-sm text-soft">
          {busy ? (
            <span role="status">Reading the logo…</span>
          ) : asset ? (
            `${asset.vector ? 'Drawing (SVG)' : `${asset.width} × ${asset.height} px`}, ` +
            `${kilobytes(asset.bytes)}${asset.alpha ? '' : ', not transparent'}`
          ) : (
            'SVG or transparent PNG. Drop it here or choose it.'
          )}
        </p>
        {asset && (
          <Button look="quiet" onClick={() => onAsset(null)}>
            Remove
          </Button>
        )}
        <Button onClick={() => input.current?.click()} disabled={busy}>
          {asset ? 'Change' : 'Choose logo'}
        </Button>
        <FileInput input={input} label="Logo file" accept={PICTURE_TYPES} onFiles={([file]) => void take(file)} />
      </div>
      {said.length > 0 && (
        <ul className="mt-1 grid gap-1 text-sm text-soft" role="status">
          {said.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      <Fault words={fault} className="mt-1 text-sm" />
    </div>
  )
}
