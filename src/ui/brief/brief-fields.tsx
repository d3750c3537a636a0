'use client'
import type { AssetInfo } from '@/core/image'
import { TRADES } from '@/core/trade'
import type { Brand, FactName, Facts } from '@/core/site'
import type { FactValue } from '@/core/site'
import { Field } from '../parts/field'
import { AddressInputs } from './address-inputs'
import { ColourInput, useColourInput } from './colour-input'
import { FactInput, useFactInput } from './fact-input'
import { HoursInputs } from './hours-inputs'
import { LogoInput } from './logo-input'

type Props = {
  readonly facts: Facts
  readonly brand: Brand
  readonly job: string | null
  readonly logo: AssetInfo | undefined
  readonly onFact: (fact: FactName, value: FactValue | null) => void
  readonly onColour: (hex: string | null) => void
  readonly onLogo: (asset: AssetInfo | null) => void
  readonly nameFault?: string | null
}

/** What is known of the client at the start. Only the name is needed; every key is seen on the page beside. */
export function BriefFields({ facts, brand, job, logo, onFact, onColour, onLogo, nameFault = null }: Props) {
  const name = useFactInput('name', facts.name, (v) => onFact('name', v))
  const trade = useFactInput('trade', facts.trade, (v) => onFact('trade', v))
  const tagline = useFactInput('tagline', facts.tagline, (v) => onFact('tagline', v))
  const phone = useFactInput('phone', facts.phone, (v) => onFact('phone', v))
  const email = useFactInput('email', facts.email, (v) => onFact('email', v))
  const colour = useColourInput(brand.colour, onColour)
  return (
    <div className="grid gap-4">
      <Field label="Client’s name" fault={name.fault ?? nameFault}>{(control) => <FactInput name="name" input={name} control={control} />}</Field>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Trade">{(control) => <FactInput name="trade" input={trade} control={control} list="trades" />}</Field>
        <Field label="Line under the name">{(control) => <FactInput name="tagline" input={tagline} control={control} />}</Field>
      </div>
      <datalist id="trades">{TRADES.map((t) => <option key={t.name} value={t.name} />)}</datalist>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Telephone" fault={phone.fault}>{(control) => <FactInput name="phone" input={phone} control={control} />}</Field>
        <Field label="Email" fault={email.fault}>{(control) => <FactInput name="email" input={email} control={control} />}</Field>
      </div>
      <div>
        <p className="mb-1 text-sm font-semibold" aria-hidden>Address</p>
        <AddressInputs value={facts.address} onChange={(v) => onFact('address', v)} />
      </div>
      <Field label="Brand colour" fault={colour.fault} hint="Any CSS colour. Text on it is kept readable by itself.">{(control) => <ColourInput input={colour} value={brand.colour} control={control} />}</Field>
      <div>
        <p className="mb-1 text-sm font-semibold" aria-hidden>Logo</p>
        <LogoInput job={job} asset={logo} onAsset={onLogo} />
      </div>
      <details className="border-t border-seam pt-3" open={facts.hours !== undefined}>
        <summary className="cursor-pointer text-sm font-semibold">Opening hours</summary>
        <div className="mt-2"><HoursInputs value={facts.hours} onChange={(v) => onFact('hours', v)} /></div>
      </details>
    </div>
  )
}
