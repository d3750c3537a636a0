'use client'
import { own } from '@/core/own'
import type { AssetInfo } from '@/core/image'
import { placeKey } from '@/core/site'
import { findScheme, getTemplate } from '@/core/pack'
import { ColourInput, useColourInput } from '../fields/colour-input'
import { LogoInput } from '../fields/logo-input'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { RowFrame } from './row-frame'

type Props = { readonly name: string; readonly inHand: boolean; readonly onHold: () => void }

/** The brand's first colour. */
export function ColourRow({ name, inHand, onHold }: Props) {
  const store = useJobStore()
  const gesture = useGesture()
  const value = useJob((s) => s.document.brand.colour)
  const usual = useJob((s) => findScheme(getTemplate(s.pack, s.document.dress.template), s.document.dress.scheme ?? null).colour)
  const set = (hex: string | null): void => void store.apply({ type: 'brand/set', part: 'colour', value: hex }, gesture('brand colour'))
  const colour = useColourInput(value, set)
  return (
    <RowFrame
      id={placeKey({ type: 'brand', part: 'colour' })}
      label={name}
      template={<span className="font-mono">{usual}</span>}
      state={value ? 'client’s' : 'not set'}
      inHand={inHand}
      onHold={onHold}
      onBack={value ? () => set(null) : undefined}
    >
      <ColourInput
        input={colour}
        value={value}
        control={{ 'aria-label': 'Brand: colour', ...(colour.fault ? { 'aria-invalid': true as const } : {}) }}
      />
      {colour.fault && (
        <p className="mt-0.5 text-sm font-medium text-thread" role="alert">
          ✕ {colour.fault}
        </p>
      )}
    </RowFrame>
  )
}

export function LogoRow({ name, inHand, onHold }: Props) {
  const store = useJobStore()
  const brand = useJob((s) => s.document.brand)
  const job = useJob((s) => s.id)
  const logo = useJob((s) => (s.document.brand.logo ? own(s.assets, s.document.brand.logo) : undefined))
  const put = (asset: AssetInfo | null): void => {
    if (asset) store.addAsset(asset)
    // The version for dark surfaces was made from the logo that goes.
    store.apply({
      type: 'batch',
      edits: [
        { type: 'brand/set', part: 'logo', value: asset?.id ?? null },
        { type: 'brand/set', part: 'logo-on-dark', value: null },
      ],
    })
  }
  return (
    <RowFrame
      id={placeKey({ type: 'brand', part: 'logo' })}
      label={name}
      template="the name, set in type"
      state={brand.logo ? 'client’s' : 'not set'}
      inHand={inHand}
      onHold={onHold}
      onBack={brand.logo ? () => put(null) : undefined}
    >
      <LogoInput job={job} asset={logo} hasOther={brand['logo-on-dark'] !== undefined} onAsset={put} />
    </RowFrame>
  )
}
