import { expect, test } from 'vitest'
import { testSite } from '../../../../tests/pack'
import { businessCard, businessData } from '../../render'
import { shownFact, computedEntries } from '../../fill'
import { homePage, isNoFact, NO_FACT, type FactValue } from '..'

test('a fact says that there is none by being empty in every part, and what is not known says nothing', () => {
  for (const none of Object.values(NO_FACT)) expect(isNoFact(none as FactValue)).toBe(true)
  const some: FactValue[] = [
    ' ',
    { ...NO_FACT.address, postcode: 'AM1' },
    { ...NO_FACT.hours, sun: [{ opens: '09:00', closes: '10:00' }] },
    [],
    ['https://a.example/'],
  ]
  for (const value of some) expect(isNoFact(value)).toBe(false)
  expect(isNoFact(undefined)).toBe(false)
  // A country alone gives an address no line.
  expect(isNoFact({ ...NO_FACT.address, country: 'GB' })).toBe(true)
})

test('what the client has none of is shown nowhere, told to nobody, and not the template’s', () => {
  const site = testSite({ name: 'Client', ...NO_FACT })
  for (const fact of ['phone', 'email', 'tagline', 'address', 'locality'] as const)
    expect(shownFact(site, fact)).toEqual({ text: '', leftover: false })
  expect(computedEntries({ site, page: homePage(site.document) }, 'hours')).toEqual([])
  expect(Object.keys(businessData(site, 'https://client.example', null)).sort()).toEqual(['@context', '@type', 'name', 'url'])
  const card = businessCard(site, 'https://client.example')!
  for (const part of ['TEL', 'EMAIL', 'ADR', 'NOTE']) expect(card).not.toContain(`\n${part}`)
  expect(card).toContain('FN:Client')
})
