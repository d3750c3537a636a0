'use client'
import { useShallow } from 'zustand/react/shallow'
import type { LedgerFact } from '@/core/fill'
import { getTemplate } from '@/core/pack'
import { FACT_SAID, factWords, placesOfFact } from '@/core/ledger'
import { factsOf, isNoFact, NO_FACT, placeKey, type FactValue, type SparedFact } from '@/core/site'
import { AddressInputs } from '../fields/address-inputs'
import { FactInput, useFactInput } from '../fields/fact-input'
import { HoursInputs } from '../fields/hours-inputs'
import { useJob, useJobStore } from '../job/job-context'
import { useGesture } from '../job/use-gesture'
import { count } from '../parts/words'
import { RowFrame } from './row-frame'

function isSpared(fact: LedgerFact): fact is SparedFact & LedgerFact {
  return fact in NO_FACT
}

type Props = {
  readonly fact: LedgerFact
  readonly inHand: boolean
  readonly onHold: () => void
}

/** The ledger's row of one fact: changed here, changed wherever it is shown. */
export function FactRow({ fact, inHand, onHold }: Props) {
  const store = useJobStore()
  const gesture = useGesture()
  const onChange = (next: FactValue | null): void => void store.apply({ type: 'fact/set', fact, value: next }, gesture(`fact ${fact}`))
  const value = useJob((s) => factsOf(s.document)[fact])
  const template = useJob((s) => getTemplate(s.pack, s.document.dress.template).facts[fact])
  return (
    <RowFrame
      id={placeKey({ type: 'fact', fact })}
      label={FACT_SAID[fact]}
      template={<span className="line-clamp-2">{factWords(template)}</span>}
      state={value === undefined ? 'leftover' : isNoFact(value) ? 'has none' : 'client’s'}
      inHand={inHand}
      lines={<FactReach fact={fact} />}
      onHold={onHold}
      onNone={isSpared(fact) ? () => onChange(NO_FACT[fact]) : undefined}
      onBack={value === undefined ? undefined : () => onChange(null)}
    >
      <FactCell fact={fact} onChange={onChange} />
    </RowFrame>
  )
}

/** In how many places a change of the fact is seen. */
function FactReach({ fact }: { readonly fact: LedgerFact }) {
  const { places, pages, everyPage } = useJob(useShallow((s) => placesOfFact(s.pack, s.document, fact)))
  return (
    <span className="pt-0.5 text-sm text-soft">
      {count(places, 'place')}, {everyPage ? 'on every page' : `on ${count(pages, 'page')}`}
    </span>
  )
}

function FactCell({ fact, onChange }: { fact: LedgerFact; onChange: (value: FactValue | null) => void }) {
  const facts = useJob((s) => factsOf(s.document))
  // Whoever empties a place here means that there is nothing; in the brief it is left for later.
  if (fact === 'address') return <AddressInputs value={facts.address} onChange={(value) => onChange(value ?? NO_FACT.address)} />
  if (fact === 'hours') return <HoursInputs value={facts.hours} onChange={onChange} />
  return <TextFactCell fact={fact} value={facts[fact]} onChange={(value) => onChange(value ?? (isSpared(fact) ? NO_FACT[fact] : null))} />
}

function TextFactCell({
  fact,
  value,
  onChange,
}: {
  fact: Exclude<LedgerFact, 'address' | 'hours'>
  value: string | undefined
  onChange: (value: string | null) => void
}) {
  const input = useFactInput(fact, value, onChange)
  return (
    <>
      <FactInput
        name={fact}
        input={input}
        control={{ 'aria-label': `Client facts: ${FACT_SAID[fact]}`, ...(input.fault ? { 'aria-invalid': true as const } : {}) }}
      />
      {input.fault && (
        <p className="mt-0.5 text-sm font-medium text-thread" role="alert">
          ✕ {input.fault}
        </p>
      )}
    </>
  )
}
