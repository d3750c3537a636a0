import { isSafeUrl } from '../../pack'
import type { RichBlock, RichRun, RichText } from '../../site'
import { plain, type FilledNode } from './tree'

/** Paragraphs, and entries gathered into lists. */
export function fillRich(rich: RichText): readonly FilledNode[] {
  const out: FilledNode[] = []
  let list: FilledNode[] | null = null
  for (const block of rich) {
    if (block.type !== 'li') {
      list = null
      out.push(plain('p', fillRuns(block)))
      continue
    }
    if (!list) out.push(plain('ul', (list = [])))
    list.push(plain('li', fillRuns(block)))
  }
  return out
}

function fillRuns({ runs }: RichBlock): readonly FilledNode[] {
  return runs.map(fillRun)
}

function fillRun(run: RichRun): FilledNode {
  const styled: FilledNode = run.strong ? plain('strong', [run.text]) : run.em ? plain('em', [run.text]) : run.text
  return run.href && isSafeUrl(run.href) ? plain('a', [styled], { href: run.href }) : styled
}
