import { isDeepStrictEqual } from 'node:util'
import fc from 'fast-check'
import { parseFragment } from 'parse5'
import { expect, test } from 'vitest'
import { isSafeUrl } from '../../src/core/pack'
import {
  allowedIn,
  finishRich,
  fitRich,
  htmlFromRich,
  markedFromRich,
  nodesOfParsed,
  parseMarked,
  parseTargetText,
  plainFromRich,
  richFromNodes,
  richFromPlain,
  targetText,
} from '../../src/core/rich'
import { CHIP_FACTS, richTextSchema, type LinkTarget, type RichBlock, type RichText } from '../../src/core/site'
import * as v from 'valibot'

const toTarget = (href: string): LinkTarget | null => (isSafeUrl(href) ? { type: 'url', url: href } : null)
const fromHtml = (html: string): RichText => richFromNodes(nodesOfParsed(parseFragment(html).childNodes), toTarget)
const p = (text: string): RichBlock => ({ type: 'p', runs: [{ text }] })

/** Letters that mean something somewhere: marks, brackets, tags, spaces, other scripts, several code points in one letter. */
const letters = fc.constantFrom(
  ...'ab cd.5*_~#>-[](){}\\&<"\u00a0é\u0301א\u200d\u00ad1. \n'.split(''),
  '👩‍🍳',
  '- ',
  '1. ',
  '**',
  '](',
  '{phone}',
  '&amp;',
  '<b>',
)
const words = fc.array(letters, { minLength: 1, maxLength: 12 }).map((parts) => parts.join(''))
const target: fc.Arbitrary<LinkTarget> = fc.oneof(
  fc.constant<LinkTarget>({ type: 'fact', fact: 'phone' }),
  fc.constant<LinkTarget>({ type: 'page', page: 'about' }),
  fc.constant<LinkTarget>({ type: 'section', section: 'home.hero' }),
  fc.constant<LinkTarget>({ type: 'file', name: 'Prices (2026).pdf', hash: 'a'.repeat(64), bytes: 1234 }),
  fc
    .constantFrom('https://a.example/x_(y)?q=%28*', 'mailto:a@b.example?subject=a%20b', 'https://a.example/\\')
    .map((url): LinkTarget => ({ type: 'url', url })),
)
const style = fc.record({ strong: fc.constant(true as const), em: fc.constant(true as const), to: target }, { requiredKeys: [] })
const run = fc.oneof(
  { weight: 5, arbitrary: fc.tuple(words, style).map(([text, set]) => ({ text, ...set })) },
  { weight: 1, arbitrary: fc.tuple(fc.constantFrom(...CHIP_FACTS), style).map(([fact, set]) => ({ fact, ...set })) },
)
const block = fc.record(
  {
    type: fc.constantFrom('p', 'heading', 'quote', 'small', 'li'),
    runs: fc.array(run, { minLength: 1, maxLength: 5 }),
    number: fc.constant(true as const),
    depth: fc.constantFrom(1, 2),
    align: fc.constantFrom('center', 'end'),
    dir: fc.constantFrom('ltr', 'rtl'),
  },
  { requiredKeys: ['type', 'runs'] },
)
const rich = fc.array(block, { maxLength: 6 }).map((blocks) => finishRich(blocks as RichText))

test('10,000 random rich texts come back the same through HTML and through the marks that packs write', () => {
  let seen = 0
  fc.assert(
    fc.property(rich, (given) => {
      seen += given.length
      const ways = [
        v.parse(richTextSchema, given),
        fromHtml(
          htmlFromRich(
            given,
            () => 'shown',
            (to) => to,
          ),
        ),
        finishRich(parseMarked(markedFromRich(given))),
      ]
      // Node's comparison passes over all that is well; where something is not, the report says what.
      for (const came of ways) if (!isDeepStrictEqual(came, given)) expect(came).toEqual(given)
    }),
    { numRuns: 10_000, seed: 13 },
  )
  expect(seen).toBeGreaterThan(20_000)
})

test('a link that is strong and stressed stays both, wherever it goes', () => {
  const given: RichText = [{ type: 'p', runs: [{ text: 'ring us', strong: true, em: true, to: { type: 'fact', fact: 'phone' } }] }]
  expect(parseMarked(markedFromRich(given))).toEqual(given)
  expect(
    fromHtml(
      htmlFromRich(
        given,
        () => '',
        () => 'tel:+44',
      ),
    ),
  ).toEqual(given)
})

test.each([['5*3*2 slabs'], ['- 5 °C in the shed'], ['[see below](or above)'], ['# 3 on the list'], ['**'], ['1. May is a holiday']])(
  'plain words are taken as they are: “%s”',
  (text) => {
    expect(richFromPlain(text)).toEqual([p(text)])
    expect(plainFromRich(richFromPlain(text), () => '')).toBe(text)
  },
)

test('what can only be a list is one: bullets, and rows of dashes or numbers', () => {
  expect(richFromPlain('• felling\n• pruning').map((b) => b.type)).toEqual(['li', 'li'])
  expect(richFromPlain('We do\n- felling\n- pruning\nand more').map((b) => b.type)).toEqual(['p', 'li', 'li', 'p'])
  expect(richFromPlain('1. ring\n2. wait\n7. no').map((b) => b.number)).toEqual([true, true, undefined])
})

test('rich text as it was kept before links in text were links like any other is read, its marks and all', () => {
  const before = [{ type: 'p', runs: [{ text: 'here', strong: true, href: 'https://a.example/' }] }]
  expect(v.parse(richTextSchema, before)).toEqual([
    { type: 'p', runs: [{ text: 'here', strong: true, to: { type: 'url', url: 'https://a.example/' } }] },
  ])
})

// Shapes of what a word processor, a mail program and an office suite put on the clipboard; written from memory.
test.each([
  [
    'a word processor’s list',
    `<html><head><style>p.MsoNormal{margin:0}</style></head><body><!--StartFragment--><p class=MsoHeading1><b>What we do<o:p></o:p></b></p>
     <p class=MsoListParagraph style='text-indent:-18.0pt;mso-list:l0 level1 lfo1'><![if !supportLists]><span
     style='font-family:Symbol'><span
     style='mso-list:Ignore'>·<span style='font:7.0pt "Times New Roman"'>&nbsp;&nbsp; </span></span></span><![endif]>Felling<o:p></o:p></p>
     <p class=MsoListParagraph style='mso-list:l0 level2 lfo1'><span style='mso-list:Ignore'>a)<span>&nbsp;</span></span>by <i>rope</i></p>
     <p class=MsoNormal><o:p>&nbsp;</o:p></p><!--EndFragment--></body></html>`,
    '# What we do\n- Felling\n  1. by *rope*',
  ],
  [
    'an office suite in the browser: everything in one bold element that is not bold',
    `<meta charset="utf-8"><b style="font-weight:normal;" id="docs-x"><h2 dir="ltr"><span
     style="font-weight:700">Hedges</span></h2><p dir="ltr"><span
     style="font-weight:400">Cut in </span><span style="font-weight:700;font-style:italic">August</span></p><br><ol><li
     aria-level="1"><p>one</p></li><ol><li>in
     it</li></ol></ol></b>`,
    '{ltr}# Hedges\n{ltr}Cut in ***August***\n1. one\n  1. in it',
  ],
  [
    'a mail',
    '<div>Hello,</div><div><br></div><div>we open at <b>nine</b>.<br>Bring it in.<br><br>Sam</div>',
    'Hello,\nwe open at **nine**.\\\nBring it in.\nSam',
  ],
  [
    'a sheet',
    '<table><tr><td>Felling</td><td>£400</td></tr><tr><td><p>Pruning</p></td><td></td></tr></table>',
    'Felling – £400\nPruning –',
  ],
  [
    'small print and a quotation',
    '<p><small>VAT in.</small></p><blockquote><p>So neat.</p><p>Again!</p></blockquote>',
    '~ VAT in.\n> So neat.\n> Again!',
  ],
  ['what runs', `<p onclick="x()">a<script>alert(1)</script><a href="javascript:alert(2)">b</a><img src=x onerror=alert(3)></p>`, 'ab'],
  ['what is hidden', '<p>a<span style="display: none">secret</span></p><style>p{}</style>', 'a'],
])('%s is cleaned to what it says', (_, html, marked) => {
  expect(markedFromRich(fromHtml(html))).toBe(marked)
})

test('a lead takes no sub-heading: its words are strong; what has no room is counted', () => {
  const given = parseMarked('# Hedges\n> So neat.\n- one')
  expect(markedFromRich(fitRich(given, allowedIn('hero', 'lead')).rich)).toBe('**Hedges**\nSo neat.\n- one')
  expect(fitRich(given, allowedIn('story', 'body'))).toEqual({ rich: given, left: 0 })
  const long = fitRich(
    Array.from({ length: 600 }, () => p('ten words '.repeat(10))),
    allowedIn('story', 'body'),
  )
  expect([long.rich.length, long.left]).toEqual([500, 2000])
})

test.each(['page:about', 'section:home.hero', 'fact:email', 'https://a.example/?q=1', `file:${'0f'.repeat(32)}:12:Prices%20a.pdf`])(
  'the target %s is written and read',
  (text) => expect(targetText(parseTargetText(text)!)).toBe(text),
)

test.each(['fact:hours', 'file:x:1:a', `file:${'0f'.repeat(32)}:0:a`])('%s is no target', (text) =>
  expect(parseTargetText(text)).toBe(null),
)
