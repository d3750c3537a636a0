import { isSafeUrl } from '../../pack'
import type { RichBlock, RichRun, RichText, SiteDocument } from '../../site'
import { wordsOn } from './direction'
import { plain, type FilledElement, type FilledNode } from './tree'

/** Paragraphs, and entries gathered into lists. */
export function fillRich(document: SiteDocument, rich: RichText): readonly FilledNode[] {
  const out: FilledNode[] = []
  let list: FilledNode[] | null = null
  for (const block of rich) {
    if (block.type !== 'li') {
      list = null
      out.push(plain('p', fillRuns(document, block)))
      continue
    }
    if (!list) out.push(plain('ul', (list = [])))
    list.push(plain('li', fillRuns(document, block)))
  }
  return out
}

function fillRuns(document: SiteDocument, { runs }: RichBlock): readonly FilledNode[] {
  const filled = runs.map(fillRun)
  const [apart] = wordsOn(document, runs.map(({ text }) => text).join(''))
  return typeof apart === 'object' ? [{ ...(apart as FilledElement), children: filled }] : filled
}

function fillRun(run: RichRun): FilledNode {
  const styled: FilledNode = run.strong ? plain('strong', [run.text]) : run.em ? plain('em', [run.text]) : run.text
  return run.href && isSafeUrl(run.href) ? plain('a', [styled], { href: run.href }) : styled
}
