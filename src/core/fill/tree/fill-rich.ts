import { finishRich, partsOf, sameTarget, type Allowed, type RichList, type RichPart } from '../../rich'
import { runWords, type ChipFact, type LinkTarget, type RichBlock, type RichRun, type RichText } from '../../site'
import { shownChip } from '../shown-fact'
import { isSetApart, printed, siteDirection, type Manner } from './direction'
import { factHref, fileAside, linkHref } from './links'
import type { PageScope } from './page-scope'
import { plain, type FilledNode } from './tree'

/** Paragraphs, sub-headings, quotations, small print, and entries gathered into lists; as written while somebody types there. */
export function fillRich(scope: PageScope, rich: RichText, allowed: Allowed, manner: Manner): readonly FilledNode[] {
  return partsOf(manner.raw ? rich : finishRich(rich)).map((part) => fillPart(scope, part, allowed, manner))
}

function fillPart(scope: PageScope, part: RichPart, allowed: Allowed, manner: Manner): FilledNode {
  if (part.type === 'list') return fillList(scope, part, manner)
  if (part.type === 'quote') {
    const paragraphs = part.blocks.map((block) => plain('p', fillRuns(scope, block, manner), settingOf(block)))
    return plain('blockquote', paragraphs)
  }
  const { block } = part
  const words = fillRuns(scope, block, manner)
  if (block.type === 'heading') return plain(`h${allowed.rank}`, words, settingOf(block))
  return plain('p', block.type === 'small' ? [plain('small', words)] : words, settingOf(block))
}

function fillList(scope: PageScope, { number, entries }: RichList, manner: Manner): FilledNode {
  const filled = entries.map(({ block, under }) => {
    const words = plain('p', fillRuns(scope, block, manner), settingOf(block))
    return plain('li', [words, ...under.map((list) => fillList(scope, list, manner))])
  })
  return plain(number ? 'ol' : 'ul', filled)
}

/** Alignment and direction, where a block has its own. */
function settingOf({ align, dir }: RichBlock): Readonly<Record<string, string>> | null {
  return align || dir ? { ...(align && { class: `words-${align}` }), ...(dir && { dir }) } : null
}

function fillRuns(scope: PageScope, { runs }: RichBlock, manner: Manner): readonly FilledNode[] {
  const { document } = scope.site
  const filled: FilledNode[] = []
  for (let at = 0; at < runs.length;) {
    const to = runs[at]?.to
    const after = to ? runs.findIndex((run, i) => i > at && !sameTarget(run, runs[at]!)) : at + 1
    const end = after < 0 ? runs.length : after
    const words = runs.slice(at, end).flatMap((run, i) => fillRun(scope, run, runs[at + i - 1], manner))
    filled.push(...(to ? linked(scope, to, words) : words))
    at = end
  }
  const isApart = siteDirection(document) === 'rtl' && isSetApart(document, runs.map(runWords).join(''))
  return isApart ? [plain('bdi', filled, { dir: 'ltr' })] : filled
}

/** Words that lead somewhere are one link, however they are set; where that is nowhere, the words stand. */
function linked(scope: PageScope, to: LinkTarget, words: readonly FilledNode[]): readonly FilledNode[] {
  const href = linkHref(scope, to)
  return href === '#' ? words : [plain('a', [...words, ...fileAside(to)], { href })]
}

function wordsOf({ site }: PageScope, run: RichRun): string {
  return 'fact' in run ? shownChip(site, run.fact) : run.text
}

function fillRun(scope: PageScope, run: RichRun, last: RichRun | undefined, manner: Manner): readonly FilledNode[] {
  const before = (last && wordsOf(scope, last).at(-1)) ?? ''
  const words = 'fact' in run ? wordsOf(scope, run) : printed(scope.site.document, run.text, { ...manner, before })
  const inner = words.includes('\n') ? linesOf(words) : words === '' ? [] : [words]
  const em = run.em ? [plain('em', inner)] : inner
  const styled = run.strong ? [plain('strong', em)] : em
  return 'fact' in run && !run.to ? [chipNode(scope, run.fact, styled)] : styled
}

/** Words on lines of their own. */
function linesOf(words: string): readonly FilledNode[] {
  const lines = words.split('\n').flatMap((line, i): readonly FilledNode[] => (i === 0 ? [line] : [plain('br', []), line]))
  return lines.filter((node) => node !== '')
}

/** A chip: the year is kept current, telephone and mail lead where they should by themselves. */
function chipNode(scope: PageScope, fact: ChipFact, words: readonly FilledNode[]): FilledNode {
  if (fact === 'year') return plain('time', words, { 'data-year': '' })
  if (fact !== 'phone' && fact !== 'email') return plain('span', words)
  const href = factHref(scope, fact)
  return href === '#' ? plain('span', words) : plain('a', words, { href })
}
