'use client'
import type { FactName, Facts, FactValue } from '@/core/site'
import { Field } from '../parts/field'
import { FactInput, useFactInput } from '../fields/fact-input'
import { TradeInput } from '../fields/trade-input'

/** The short way in: what it is, what it is called, what is special about it. */
export function ThreeAnswers({ facts, onFact }: { facts: Facts; onFact: (fact: FactName, value: FactValue | null) => void }) {
  const name = useFactInput('name', facts.name, (v) => onFact('name', v))
  const special = useFactInput('special', facts.special, (v) => onFact('special', v))
  return (
    <div className="grid gap-5">
      <p className="text-soft">
        Three answers make a first draft of every page, in the words of the trade. What is made up this way is marked, until someone
        confirms it.
      </p>
      <TradeInput value={facts.trade} onChange={(v) => onFact('trade', v)} />
      <Field label="Client’s name" fault={name.fault}>
        {(control) => <FactInput name="name" input={name} control={control} />}
      </Field>
      <Field label="What is special about them" hint="One sentence, as they would say it across the counter." fault={special.fault}>
        {(control) => <FactInput name="special" input={special} control={control} />}
      </Field>
    </div>
  )
}
