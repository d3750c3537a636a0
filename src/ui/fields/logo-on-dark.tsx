'use client'
import { useEffect, useRef } from 'react'
import { thumbnailUrl, type AssetInfo } from '@/core/image'
import { storedPictureSchema } from '@/core/replies'
import { Button } from '../parts/button'
import { Fault } from '../parts/fault'
import { askJson } from '../request/api'
import { useMutation } from '../request/use-mutation'
import { useLogoAdvice } from './use-logo-advice'

/** The colours that a one-colour version is printed in. */
const LIGHT = '#ffffff'
const DARK = '#16181c'

type Props = {
  readonly job: string | null
  readonly logo: AssetInfo
  readonly onDark: AssetInfo | undefined
  readonly onLogos: (logo: AssetInfo, onDark: AssetInfo | null) => void
}

/** The logo on a light and on a dark surface side by side, and a one-colour version for the one it cannot be seen on. */
export function LogoOnDark({ job, logo, onDark, onLogos }: Props) {
  const advice = useLogoAdvice(logo)
  const isHere = useRef(true)
  useEffect(() => {
    isHere.current = true
    return () => {
      isHere.current = false
    }
  }, [])
  const { busy, fault, run } = useMutation({ otherwise: 'It could not be made. Try again.' })
  const make = (from: AssetInfo, colour: string, take: (made: AssetInfo) => void): Promise<boolean> =>
    run(async () => {
      const { asset } = await askJson('/api/assets/one-colour', { asset: from.id, colour, job }, storedPictureSchema)
      // Another logo may have been chosen meanwhile; what was made from the old one is not for it.
      if (isHere.current) take(asset)
    })
  return (
    <div role="group" aria-label="Logo on dark surfaces" className="mt-2">
      <div className="grid grid-cols-2 text-xs">
        <figure className="m-0 border border-ink bg-white p-2 text-ink">
          <LogoPicture asset={logo} alt="The logo on a light surface" />
          <figcaption className="pt-1">on light</figcaption>
        </figure>
        <figure className="m-0 border border-s-0 border-ink bg-ink p-2 text-cloth">
          <LogoPicture asset={onDark ?? logo} alt="The logo on a dark surface" />
          <figcaption className="pt-1">on dark{onDark ? '' : ': the same'}</figcaption>
        </figure>
      </div>
      <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
        {onDark ? (
          <Button look="quiet" onClick={() => onLogos(logo, null)}>
            Use the same on dark
          </Button>
        ) : (
          <>
            <Button disabled={busy} onClick={() => void make(logo, LIGHT, (made) => onLogos(logo, made))}>
              Make a white one for dark surfaces
            </Button>
            {advice?.tone === 'light' && (
              <Button disabled={busy} onClick={() => void make(logo, DARK, (made) => onLogos(made, logo))}>
                Keep this for dark, make a dark one for light
              </Button>
            )}
          </>
        )}
        {busy && (
          <span className="text-sm text-soft" role="status">
            Printing it in one colour…
          </span>
        )}
      </div>
      <Fault words={fault} className="mt-1 text-sm" />
    </div>
  )
}

function LogoPicture({ asset, alt }: { asset: AssetInfo; alt: string }) {
  return <img src={thumbnailUrl(asset, 400)} alt={alt} className="h-10 max-w-full object-contain object-left" />
}
