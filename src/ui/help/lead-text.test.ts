import { expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'
import type { Edit } from '@/core/site'
import { editTo, wear } from '@/core/wear'
import { leadOf, type LedJob } from './lead-text'

const { pack, document } = testSite({ name: 'First' })
const job = (changes: Partial<LedJob> = {}): LedJob => ({
  pack,
  document,
  history: { rows: [], isFirst: true },
  pending: [],
  isLive: false,
  ...changes,
})
const after = (edit: Edit): LedJob => job({ pending: [{ edit }] as unknown as LedJob['pending'] })

test('each stage says what to do, and says it no more once that is done', () => {
  for (const stage of ['brief', 'template', 'brand', 'content', 'pages', 'publish']) expect(leadOf(stage, job()), stage).toMatch(/\.$/)
  expect(leadOf('history', job())).toBeNull()
  expect(leadOf('toString', job())).toBeNull()
  expect(leadOf('brand', job({ document: edited(document, { type: 'brand/set', part: 'colour', value: '#204060' }) }))).toBeNull()
  // Whoever puts another template on, or goes on to type, has chosen.
  expect(leadOf('template', after(editTo(document, wear(pack, document, 'gantry')) as Edit))).toBeNull()
  expect(leadOf('template', job({ document: edited(document, setText('home.hero', 'heading', 'Boots')) }))).toBeNull()
  expect(leadOf('template', after({ type: 'brand/set', part: 'colour', value: '#204060' }))).toContain('until you put one on')
  expect(leadOf('publish', job({ isLive: true }))).toBeNull()
})
