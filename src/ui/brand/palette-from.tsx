'use client'
import { own } from '@/core/own'
import { useEffect, useRef, useState } from 'react'
import { thumbnailUrl, type PaletteColour } from '@/core/image'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { FileInput } from '../parts/file-input'
import { drawnBitmap, findColours } from './find-colours'
import { useSite } from '../job/use-site'
import { useBrand } from './use-brand'

type Found = { readonly from: string; readonly colours: readonly PaletteColour[] }
const PARTS = ['colour', 'second', 'third'] as const
const PART_WORDS = { colour: '1', second: '2', third: '3' } as const

/** The few colours of the logo or of a photo, with their shares, each to be taken as first, second or third. */
export function PaletteFrom() {
  const site = useSite()
  const { brand, set, setAll } = useBrand()
  const [found, setFound] = useState<Found | null>(null)
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const input = useRef<HTMLInputElement>(null)
  const latest = useRef(0)
  useEffect(
    () => () => {
      latest.current++
    },
    [],
  )
  const logo = brand.logo === undefined ? undefined : own(site.assets, brand.logo)
  const look = async (from: string, picture: Promise<Blob | ImageBitmap | null>): Promise<void> => {
    const mine = ++latest.current
    setBusy(true)
    setFault(null)
    const bitmap = await picture
    const reply = bitmap && (await findColours(bitmap))
    if (mine !== latest.current) return
    setBusy(false)
    if (reply && reply.colours.length > 0) setFound({ from, colours: reply.colours })
    else setFault(`No colours could be read from ${from}. Choose a JPEG, PNG, WebP, GIF or SVG.`)
  }
  const takeFile = (file: File | undefined): void => {
    if (!file) return
    void look(`“${file.name}”`, file.type === 'image/svg+xml' ? drawFile(file) : Promise.resolve(file))
  }
  const takeAll = (colours: readonly PaletteColour[]): void => {
    const own = colours.filter((c) => !c.neutral).slice(0, 3)
    setAll(PARTS.map((part, i) => ({ type: 'brand/set', part, value: own[i]?.hex ?? null })))
  }
  return (
    <div className="mt-3" role="group" aria-label="Colours from a picture">
      <div className="flex flex-wrap items-center gap-1.5">
        <Button
          disabled={!logo || busy}
          onClick={() => logo && void look('the logo', drawnBitmap(thumbnailUrl(logo, 400), logo.width, logo.height))}
        >
          Take from the logo
        </Button>
        <Button disabled={busy} onClick={() => input.current?.click()}>
          Take from a photo
        </Button>
        <FileInput input={input} label="Photo to take colours from" accept="image/*" onFiles={([file]) => takeFile(file)} />
        {busy && (
          <span role="status" className="text-sm text-soft">
            Counting colours…
          </span>
        )}
      </div>
      <Fault words={fault} className="mt-1 text-sm" />
      {found && (
        <div className="mt-2">
          <p className="text-sm text-soft">Colours of {found.from}</p>
          <ul className="mt-1 border border-ink">
            {found.colours.map(({ hex, share, neutral }) => (
              <li key={hex} className="flex items-center gap-2 border-b border-seam last:border-0">
                <span className="h-8 shrink-0" style={{ background: hex, width: `${20 + share * 80}px` }} aria-hidden />
                <span className="font-mono text-xs">{hex}</span>
                <span className="font-mono text-xs text-soft">{share < 0.01 ? '<1' : Math.round(share * 100)} %</span>
                <span className="ms-auto flex">
                  {neutral ? (
                    <span className="px-2 text-xs text-soft">neutral</span>
                  ) : (
                    PARTS.map((part) => (
                      <button
                        key={part}
                        type="button"
                        aria-pressed={brand[part] === hex}
                        aria-label={`Use ${hex} as colour ${PART_WORDS[part]}`}
                        className="h-8 w-7 border-s border-seam text-sm hover:bg-tape aria-pressed:bg-ink aria-pressed:text-cloth"
                        onClick={() => set(part, hex)}
                      >
                        {PART_WORDS[part]}
                      </button>
                    ))
                  )}
                </span>
              </li>
            ))}
          </ul>
          {found.colours.some((c) => !c.neutral) && (
            <Button look="quiet" className="mt-1" onClick={() => takeAll(found.colours)}>
              Use them in this order
            </Button>
          )}
        </div>
      )}
    </div>
  )
}

async function drawFile(file: File): Promise<ImageBitmap | null> {
  const url = URL.createObjectURL(file)
  try {
    const image = new Image()
    image.src = url
    await image.decode()
    return await drawnBitmap(url, image.naturalWidth || 300, image.naturalHeight || 150)
  } catch {
    // Not a drawing that the browser can read.
    return null
  } finally {
    URL.revokeObjectURL(url)
  }
}
