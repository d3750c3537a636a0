import { readdirSync } from 'node:fs'
import { expect, test } from 'vitest'
import { HELP, helpOf } from './help-text'
import { usingText } from './using'

test('docs/using.md is what `?` says; `npx vitest -u using` writes it anew', async () => {
  await expect(`${usingText().trim()}\n`).toMatchFileSnapshot('../../../docs/using.md')
})

test('every stage of a job has its help, and there is none for anything else', () => {
  const stages = readdirSync('src/app/jobs/[job]', { withFileTypes: true }).filter((one) => one.isDirectory())
  expect(stages.length).toBeGreaterThan(6)
  for (const { name } of stages) expect(helpOf(name)?.words.length, name).toBeGreaterThan(1)
  expect(Object.keys(HELP)).toHaveLength(stages.length + 1)
  expect(helpOf('toString')).toBeNull()
})
