import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { KINDS, type KindSlots, type SectionKind } from '../../src/core/site'

/** Slots that the guide does not say the type of: these names say it, and the rest is text. */
const SAID_BY_NAME: Readonly<Record<string, string>> = { picture: 'image', action: 'link', second: 'link' }

test('the guide to packs lists every kind with the slots that it has', () => {
  const guide = readFileSync('docs/template-pack.md', 'utf8')
  const written = [...guide.matchAll(/^\| ([a-z-]+) \| ((?:[a-z]+(?: \([a-z]+\)| \[[^\]]+\])?(?:, )?)+) \|$/gm)].map(([, kind, slots]) => [
    kind,
    slots,
  ])
  const tabled = Object.entries<KindSlots>(KINDS).filter(([, slots]) => !hasBlocks(slots))
  expect(Object.fromEntries(written)).toMatchObject(Object.fromEntries(tabled.map(([kind, slots]) => [kind, inWords(slots)])))
  // What is made of blocks is told beside the table.
  for (const kind of Object.keys(KINDS)) expect(guide).toContain(hasBlocks(KINDS[kind as SectionKind]) ? `\`${kind}\`` : `| ${kind} |`)
})

function hasBlocks(slots: KindSlots): boolean {
  return Object.values(slots).some((type) => typeof type === 'object' && type.blocks === true)
}

function inWords(slots: KindSlots): string {
  return Object.entries(slots)
    .map(([name, type]) => {
      if (typeof type === 'object') return `${name} [${inWords(type.list)}]`
      const word = type === 'image' ? 'picture' : type
      return type === 'text' || SAID_BY_NAME[name] === type ? name : `${name} (${word})`
    })
    .join(', ')
}
