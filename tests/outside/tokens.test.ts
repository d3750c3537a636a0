import { defineConfig, parse } from '@terrazzo/parser'
import { transform } from 'lightningcss'
import { expect, test } from 'vitest'
import { readTokens, toCssVariables, toDesignTokens } from '../../src/core/brand'
import { makeDocument, siteScheme, type Site } from '../../src/core/fill'
import { getTemplate } from '../../src/core/pack'
import type { Brand } from '../../src/core/site'
import { testPack } from '../pack'

const PACK = testPack()
const siteOf = (brand: Brand): Site => ({
  document: makeDocument(getTemplate(PACK, 'gantry'), { name: 'Tarrow' }, brand),
  pack: PACK,
  assets: {},
  mode: 'sheet',
})
const BRAND: Brand = {
  colour: '#c4361f',
  second: '#14324a',
  text: 'work-sans',
  styles: { h1: { weight: 700, desktop: 80 } },
  shape: { corner: 6, density: 1.1, shadow: { x: 1, y: 2, blur: 8, strength: 0.3 } },
}

test('a token file of ours is read without complaint by a reference parser of the published format, and to the same values', async () => {
  // Design Tokens Format Module 2025.10, by the parser of @terrazzo.
  const cwd = new URL('file:///')
  const src = JSON.stringify(toDesignTokens(siteOf(BRAND)))
  const { tokens } = await parse([{ filename: new URL('file:///brand.tokens.json'), src }], { config: defineConfig({}, { cwd }) })
  const site = siteOf(BRAND)
  expect(Object.keys(tokens).length).toBeGreaterThan(80)
  expect(tokens['brand.colour']).toMatchObject({ $type: 'color', $value: { colorSpace: 'srgb', hex: '#c4361f' } })
  expect(tokens['tone.paper.link']!.$value).toMatchObject({ hex: siteScheme(site).paper.link })
  expect(tokens['style.h1.desktop']).toMatchObject({
    $type: 'typography',
    $value: { fontSize: { value: 80, unit: 'px' }, fontWeight: 700 },
  })
  expect(tokens['shape.shadow']!.$type).toBe('shadow')
  // What we read back from the same text is what the parser read.
  const ours = readTokens(src)
  if (!ours.ok) throw new Error(ours.fault)
  expect(ours.notes).toEqual([])
  for (const token of ours.tokens) {
    const theirs = tokens[token.path.replaceAll('/', '.')]!
    if (token.type === 'colour') expect((theirs.$value as { hex: string }).hex).toBe(token.hex)
    if (token.type === 'size') expect((theirs.$value as { value: number }).value).toBe(token.px)
    if (token.type === 'typography') expect((theirs.$value as { fontSize: { value: number } }).fontSize.value).toBe(token.px)
  }
  expect(ours.tokens.length).toBe(Object.keys(tokens).length)
})

test('the CSS variables are a style sheet that a CSS parser takes without an error', () => {
  const css = toCssVariables(siteOf(BRAND))
  const { code, warnings } = transform({ filename: 'brand.css', code: Buffer.from(css), errorRecovery: false })
  expect(warnings).toEqual([])
  expect(code.toString()).toContain('--brand-colour: #c4361f')
  expect((css.match(/^ {2}--/gm) ?? []).length).toBeGreaterThan(100)
})
