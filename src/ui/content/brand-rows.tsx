'use client'
import { own } from '@/core/own'
import type { AssetInfo } from '@/core/image'
import { findScheme, getTemplate } from '@/core/pack'
import { ColourInput, useColourInput } from '../fields/colour-input'
import { LogoInput } from '../fields/logo-input'
import { useJob } from '../job/job-context'
import { RowFrame } from './row-frame'

type Props = {
  readonly inHand: string | null
  readonly onHold: (part: 'colour' | 'logo') => void
  readonly onColour: (hex: string | null) => void
  readonly onLogo: (asset: AssetInfo | null) => void
}

export function BrandRows({ inHand, onHold, onColour, onLogo }: Props) {
  const brand = useJob((s) => s.document.brand)
  const job = useJob((s) => s.id)
  const logo = useJob((s) => (s.document.brand.logo ? own(s.assets, s.document.brand.logo) : undefined))
  const usual = useJob((s) => findScheme(getTemplate(s.pack, s.document.dress.template), s.document.dress.scheme ?? null).colour)
  const colour = useColourInput(brand.colour, onColour)
  return (
    <>
      <RowFrame
        id="brand colour"
        label="Colour"
        template={<span className="font-mono">{usual}</span>}
        state={brand.colour ? 'client’s' : 'left for later'}
        inHand={inHand === 'brand colour'}
        onHold={() => onHold('colour')}
        onBack={brand.colour ? () => onColour(null) : undefined}
      >
        <ColourInput
          input={colour}
          value={brand.colour}
          control={{ 'aria-label': 'Brand: colour', ...(colour.fault ? { 'aria-invalid': true as const } : {}) }}
        />
        {colour.fault && (
          <p className="mt-0.5 text-sm font-medium text-thread" role="alert">
            ✕ {colour.fault}
          </p>
        )}
      </RowFrame>
      <RowFrame
        id="brand logo"
        label="Logo"
        template="the name, set in type"
        state={brand.logo ? 'client’s' : 'left for later'}
        inHand={inHand === 'brand logo'}
        onHold={() => onHold('logo')}
        onBack={brand.logo ? () => onLogo(null) : undefined}
      >
        <LogoInput job={job} asset={logo} hasOther={brand['logo-on-dark'] !== undefined} onAsset={onLogo} />
      </RowFrame>
    </>
  )
}
