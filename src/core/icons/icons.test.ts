import { icons } from 'lucide-react'
import { renderToStaticMarkup } from 'react-dom/server'
import { createElement } from 'react'
import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setSlot } from '../../../tests/site'
import { fillPage } from '../fill'
import { homePage } from '../site'
import { renderBody } from '../render'
import { findIcon, ICON_NAMES } from '.'

const pascal = (name: string): string => name.replace(/(^|-)(\w)/g, (_, __, letter: string) => letter.toUpperCase())

test('every shape is the library’s own, part for part', () => {
  expect(ICON_NAMES.length).toBeGreaterThan(40)
  for (const name of ICON_NAMES) {
    const shape = findIcon(name)!
    const ours = shape.parts.map(([tag, attributes]) => renderToStaticMarkup(createElement(tag, attributes))).join('')
    const Theirs = icons[pascal(name) as keyof typeof icons]
    expect(renderToStaticMarkup(createElement(Theirs)), name).toContain(ours)
  }
  expect(new Set(ICON_NAMES.map((name) => findIcon(name)!.said)).size).toBe(ICON_NAMES.length)
  expect(findIcon('constructor')).toBeNull()
})

test('an icon stands before or after the words of a button, says nothing of itself, and one that is not known is not drawn', () => {
  const site = testSite()
  const link = { type: 'link', label: 'Ring us', to: { type: 'fact', fact: 'phone' } } as const
  const drawn = (icon: { name: string; side: 'before' | 'after' }): string =>
    renderBody({ ...site, document: edited(site.document, setSlot('home.hero', 'action', { ...link, icon })) }, homePage(site.document))
  expect(drawn({ name: 'phone', side: 'before' })).toMatch(
    /<a [^>]*><svg class="icon before" viewBox="0 0 24 24" aria-hidden="true"><path d="[^"]+"><\/path><\/svg>⁠Ring us<\/a>/,
  )
  expect(drawn({ name: 'arrow-right', side: 'after' })).toMatch(/Ring us⁠<svg class="icon after turns"/)
  expect(drawn({ name: 'no-such', side: 'after' })).toContain('>Ring us</a>')
  expect(JSON.stringify(fillPage(site, homePage(site.document)))).not.toContain('"svg"')
})
