'use client'
import type { SchemeSpec } from '@/core/colour'
import type { AssetInfo } from '@/core/image'
import type { Brand, FactName, Facts, FactValue } from '@/core/site'
import { Field } from '../parts/field'
import { AddressInputs } from '../fields/address-inputs'
import { BrandColours, type ColourPart } from '../fields/brand-colours'
import { FactInput, useFactInput } from '../fields/fact-input'
import { HoursInputs } from '../fields/hours-inputs'
import { KeywordsInput, SocialsInput } from '../fields/list-inputs'
import { LanguageInput } from '../fields/language-input'
import { LogoInput } from '../fields/logo-input'
import { LogoOnDark } from '../fields/logo-on-dark'
import { PurposeInputs } from '../fields/purpose-inputs'
import { TradeInput } from '../fields/trade-input'

export type BriefProps = {
  readonly facts: Facts
  readonly brand: Brand
  readonly spec: SchemeSpec
  /** The language of the template's words. */
  readonly language: string
  readonly job: string | null
  readonly logo: AssetInfo | undefined
  readonly logoOnDark: AssetInfo | undefined
  readonly onFact: (fact: FactName, value: FactValue | null) => void
  readonly onColour: (part: ColourPart, hex: string | null) => void
  /** The logo, and its version for dark surfaces; null where there is none. */
  readonly onLogos: (logo: AssetInfo | null, onDark: AssetInfo | null) => void
  readonly nameFault?: string | null
}

/** What is known of the client at the start. Only the name is needed; every key is seen on the page beside. */
export function BriefFields({
  facts,
  brand,
  spec,
  language,
  job,
  logo,
  logoOnDark,
  onFact,
  onColour,
  onLogos,
  nameFault = null,
}: BriefProps) {
  const country = facts.address?.country ?? null
  const name = useFactInput('name', facts.name, (v) => onFact('name', v))
  const tagline = useFactInput('tagline', facts.tagline, (v) => onFact('tagline', v))
  const special = useFactInput('special', facts.special, (v) => onFact('special', v))
  const phone = useFactInput('phone', facts.phone, (v) => onFact('phone', v), country)
  const email = useFactInput('email', facts.email, (v) => onFact('email', v))
  return (
    <div className="grid gap-4">
      <Field label="Client’s name" fault={name.fault ?? nameFault}>
        {(control) => <FactInput name="name" input={name} control={control} />}
      </Field>
      <TradeInput value={facts.trade} onChange={(v) => onFact('trade', v)} />
      <Field label="Tagline" fault={tagline.fault}>
        {(control) => <FactInput name="tagline" input={tagline} control={control} />}
      </Field>
      <Field label="What is special about them" fault={special.fault}>
        {(control) => <FactInput name="special" input={special} control={control} />}
      </Field>
      <LanguageInput
        value={facts.language}
        template={language}
        words={[facts.name, facts.tagline, facts.special, facts.trade].filter(Boolean).join(' ')}
        onChange={(v) => onFact('language', v)}
      />
      <PurposeInputs value={facts.purposes ?? []} onChange={(v) => onFact('purposes', v)} />
      <KeywordsInput value={facts.keywords ?? []} onChange={(v) => onFact('keywords', v)} />
      <div className="grid grid-cols-2 gap-3 border-t border-seam pt-3">
        <Field label="Telephone" fault={phone.fault}>
          {(control) => <FactInput name="phone" input={phone} control={control} />}
        </Field>
        <Field label="Email" fault={email.fault}>
          {(control) => <FactInput name="email" input={email} control={control} />}
        </Field>
      </div>
      <div>
        <p className="mb-1 text-sm font-semibold" aria-hidden>
          Address
        </p>
        <AddressInputs value={facts.address} onChange={(v) => onFact('address', v)} />
      </div>
      <SocialsInput value={facts.socials ?? []} onChange={(v) => onFact('socials', v)} />
      <BrandColours brand={brand} spec={spec} onColour={onColour} />
      <div>
        <p className="mb-1 text-sm font-semibold" aria-hidden>
          Logo
        </p>
        <LogoInput job={job} asset={logo} hasOther={logoOnDark !== undefined} onAsset={(asset) => onLogos(asset, null)} />
        {logo && <LogoOnDark key={logo.id} job={job} logo={logo} onDark={logoOnDark} onLogos={onLogos} />}
      </div>
      <details className="border-t border-seam pt-3" open={facts.hours !== undefined}>
        <summary className="cursor-pointer text-sm font-semibold">Opening hours</summary>
        <div className="mt-2">
          <HoursInputs value={facts.hours} onChange={(v) => onFact('hours', v)} />
        </div>
      </details>
    </div>
  )
}
