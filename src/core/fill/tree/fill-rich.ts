import { isSafeUrl, printedUrl } from '../../pack'
import type { RichBlock, RichRun, RichText, SiteDocument } from '../../site'
import { isSetApart, printed, type Manner } from './direction'
import { plain, type FilledNode } from './tree'

/** Paragraphs, and entries gathered into lists. */
export function fillRich(document: SiteDocument, rich: RichText, manner: Manner): readonly FilledNode[] {
  const out: FilledNode[] = []
  let list: FilledNode[] | null = null
  for (const block of rich) {
    if (block.type !== 'li') {
      list = null
      out.push(plain('p', fillRuns(document, block, manner)))
      continue
    }
    if (!list) out.push(plain('ul', (list = [])))
    list.push(plain('li', fillRuns(document, block, manner)))
  }
  return out
}

function fillRuns(document: SiteDocument, { runs }: RichBlock, manner: Manner): readonly FilledNode[] {
  const filled = runs.map((run, i) => fillRun(run, printed(document, run.text, { ...manner, before: runs[i - 1]?.text.at(-1) ?? '' })))
  const isApart = isSetApart(document, runs.map(({ text }) => text).join(''))
  return isApart ? [plain('bdi', filled, { dir: 'ltr' })] : filled
}

function fillRun(run: RichRun, words: string): FilledNode {
  const styled: FilledNode = run.strong ? plain('strong', [words]) : run.em ? plain('em', [words]) : words
  return run.href && isSafeUrl(run.href) ? plain('a', [styled], { href: printedUrl(run.href) }) : styled
}
