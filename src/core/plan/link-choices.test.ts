import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { findAmong, linkChoices, subjectOf, targetName, typedTargets, withSubject } from '.'

const targets = (asked: string): readonly unknown[] => typedTargets(asked).map(({ to }) => (to.type === 'url' ? to.url : to))

test.each([
  ['https://a.example/x?y=1', ['https://a.example/x?y=1']],
  ['a.example/prices', ['https://a.example/prices']],
  ['müller.example', ['https://müller.example']],
  // RFC 6068, 2: what parts a URI is encoded.
  ['ring&me@a.example', ['mailto:ring%26me@a.example']],
  // RFC 3966, 5.1.4: without what only separates; RFC 5724, 2.2: the same number for a message.
  ['+44 (0)1632 960-111', ['tel:+441632960111', 'sms:+441632960111']],
  ['prices', []],
  ['e.g. this', []],
  ['javascript:alert(1)', []],
  ['data:text/html,x', []],
  ['2026', []],
  ['http://a b', []],
])('“%s” as typed leads to %j', (asked, expected) => {
  expect(targets(asked)).toEqual(expected)
})

test('the subject of a mail is written and read as RFC 6068 has it, and taken off again', () => {
  const mail = { type: 'url', url: 'mailto:a@b.example' } as const
  const about = withSubject(mail, 'Chairs & 20% off? Größe #3')
  expect(about).toEqual({ type: 'url', url: 'mailto:a@b.example?subject=Chairs%20%26%2020%25%20off%3F%20Gr%C3%B6%C3%9Fe%20%233' })
  expect(subjectOf(about)).toBe('Chairs & 20% off? Größe #3')
  expect(withSubject(about, ' ')).toEqual(mail)
  expect(subjectOf({ type: 'url', url: 'https://a.example/?subject=x' })).toBe(null)
})

test('pages, places, facts and files of a site are found by a few letters, and named where they are led to', () => {
  const site = testSite({ name: 'Client', phone: '01632 960111' })
  const all = linkChoices(site)
  expect(findAmong(all, 'serv', 9)[0]).toMatchObject({ group: 'Pages', to: { type: 'page' } })
  expect(findAmong(all, '01632', 9)).toMatchObject([{ title: 'Telephone', to: { type: 'fact', fact: 'phone' } }])
  for (const { to } of all) expect(targetName(site, to).gone, JSON.stringify(to)).toBe(false)
  expect(targetName(site, { type: 'page', page: 'nowhere' }).gone).toBe(true)
  expect(targetName(site, { type: 'section', section: 'nowhere' }).gone).toBe(true)
})
