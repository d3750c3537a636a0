'use client'
import { own } from '@/core/own'
import { useMemo } from 'react'
import { toast } from 'sonner'
import { findScheme, getTemplate } from '@/core/pack'
import { FACT_SAID } from '@/core/ledger'
import { factsOf, type Facts } from '@/core/site'
import { firstDraft, tradeWithPhrases } from '@/core/trade'
import { useJob, useJobStore } from '../job/job-context'
import { jobSource } from '../job/job-source'
import { useGesture } from '../job/use-gesture'
import { Button } from '../parts/button'
import { SheetRow } from '../sheets/sheet-row'
import type { SheetName } from '../sheets/widths'
import { notice } from '../parts/notice'
import { BriefFields } from './brief-fields'

const SHEETS: readonly SheetName[] = ['desktop', 'phone']

/** The brief, reopened: what is changed here is changed on every page. */
export function BriefStage() {
  const store = useJobStore()
  const facts = useJob((s) => factsOf(s.document))
  const brand = useJob((s) => s.document.brand)
  const spec = useJob((s) => findScheme(getTemplate(s.pack, s.document.dress.template), s.document.dress.scheme ?? null))
  const language = useJob((s) => s.document.language)
  const assets = useJob((s) => s.assets)
  const gesture = useGesture()
  const source = useMemo(() => jobSource(store), [store])
  const draft = (): void => {
    const { pack, document } = store.getState()
    const edit = firstDraft(pack, document)
    const drafted = edit && store.apply(edit)
    if (drafted)
      notice('Every empty place that the trade has words for is filled, as drafts to be confirmed.', 'Undo', () => void store.undo(drafted))
    else toast('There is no empty place left that the trade has words for.')
  }
  return (
    <main className="grid min-h-0 flex-1 grid-cols-[minmax(22rem,26rem)_minmax(0,1fr)]">
      <div className="min-h-0 overflow-y-auto border-e border-seam bg-cloth p-5">
        <h1 className="mb-1 text-xl font-bold tracking-tight">Brief</h1>
        <p className="mb-5 text-soft">Kept once, shown on every page. {stillMissing(facts)}</p>
        <BriefFields
          facts={facts}
          brand={brand}
          spec={spec}
          language={language}
          job={store.getState().id}
          logo={brand.logo ? own(assets, brand.logo) : undefined}
          nameFault={facts.name ? null : 'A job needs the client’s name; the template’s stands in for it.'}
          onFact={(fact, value) => store.apply({ type: 'fact/set', fact, value }, gesture(`fact ${fact}`))}
          onColour={(part, value) => store.apply({ type: 'brand/set', part, value }, gesture(part))}
          logoOnDark={brand['logo-on-dark'] ? own(assets, brand['logo-on-dark']) : undefined}
          onLogos={(logo, onDark) => {
            for (const asset of [logo, onDark]) if (asset) store.addAsset(asset)
            store.apply({
              type: 'batch',
              edits: [
                { type: 'brand/set', part: 'logo', value: logo?.id ?? null },
                { type: 'brand/set', part: 'logo-on-dark', value: onDark?.id ?? null },
              ],
            })
          }}
        />
        <div className="mt-5 border-t border-seam pt-4">
          <Button onClick={draft} disabled={!facts.trade?.trim()}>
            Make a first draft from the trade
          </Button>
          <p className="mt-1 text-sm text-soft">{draftHint(facts)}</p>
        </div>
      </div>
      <section className="flex min-h-0 flex-col p-5" aria-label="The home page">
        <SheetRow source={source} sheets={SHEETS} label="Home page" events={null} />
      </section>
    </main>
  )
}

function draftHint({ trade = '', address }: Facts): string {
  if (trade.trim() === '') return 'Needs a trade.'
  const fills = 'Fills only what is empty, and marks it to be confirmed.'
  return tradeWithPhrases(trade, address?.locality ?? '')
    ? fills
    : `There are no words for this trade yet: it gets what any business can say. ${fills}`
}

/** The facts that a site is seldom without, as far as they are not known yet. */
function stillMissing(facts: Facts): string {
  const missing = (['phone', 'email', 'hours'] as const).filter((fact) => facts[fact] === undefined)
  if (missing.length === 0) return ''
  return `Still missing: ${missing.map((fact) => FACT_SAID[fact].toLowerCase()).join(', ')}. You can add them later.`
}
