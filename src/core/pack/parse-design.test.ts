import { expect, test } from 'vitest'
import { parseDesign, parseTemplate, shownPlaces } from '.'

const GOOD =
  '<section class="hero-plain"><h1 data-slot="heading">Hello</h1><img data-slot="picture" data-ratio="4:5" ' +
  'src="../../tallow/media/a.jpg" alt="A"></section>'
const faultsOf = (html: string, css = '.hero-plain { color: var(--text); }'): string[] =>
  parseDesign('hero', 'plain', html, css).faults.map((f) => `${f.line} ${f.fault}`)
const wrap = (inner: string): string => `<section class="hero-plain">\n${inner}\n</section>`

test('a design’s slots, lists and placeholder content are read from its HTML', () => {
  const { design, faults } = parseDesign(
    'services',
    'rows',
    '<section class="services-rows"><h2 data-slot="heading">What  we\n do</h2><ul data-list="items"><li><b ' +
      'data-slot="title">One</b></li><li><b data-slot="title">Two</b></li></ul><a data-slot="action" ' +
      'href="page:contact">Ask</a></section>',
    '',
  )
  expect(faults).toEqual([])
  expect(design?.placeholders).toEqual({
    slots: {
      heading: { type: 'text', text: 'What we do' },
      action: { type: 'link', label: 'Ask', to: { type: 'page', page: 'contact' } },
    },
    lists: { items: [{ title: { type: 'text', text: 'One' } }, { title: { type: 'text', text: 'Two' } }] },
  })
  expect(shownPlaces(design!).slots.map((s) => s.slot)).toEqual(['heading', 'items', 'action'])
})

test('a paragraph that is to take paragraphs is a division, as HTML asks', () => {
  const html = '<footer class="footer-foot"><p class="legal" data-slot="legal" data-when="legal">A firm.</p></footer>'
  const { design } = parseDesign('footer', 'foot', html, '')
  expect(design?.tree.children[0]).toMatchObject({ tag: 'div', attrs: { class: 'legal' } })
  expect(design?.placeholders.slots.legal).toEqual({ type: 'rich', rich: [{ type: 'p', runs: [{ text: 'A firm.' }] }] })
})

test('a sound design has no fault', () => {
  expect(faultsOf(GOOD)).toEqual([])
})

test.each([
  ['<script>alert(1)</script>', '2 <script> is not allowed'],
  ['<h1 data-slot="heading" onclick="x()">A</h1>', '2 The attribute onclick is not allowed'],
  ['<p style="color:red">A</p>', '2 The attribute style is not allowed'],
  ['<iframe></iframe>', '2 <iframe> is not allowed'],
  ['<p data-slot="subtitle">A</p>', '2 The kind hero has no slot called “subtitle”'],
  ['<p data-wobble="x">A</p>', '2 The attribute data-wobble means nothing here'],
  [
    '<img data-slot="picture" src="https://elsewhere.example/a.jpg" alt="">',
    '2 The picture “https://elsewhere.example/a.jpg” must lie in a template',
  ],
  ['<img data-slot="picture" src="../../tallow/media/../../../etc/passwd" alt="">', '2 The picture'],
  ['<a data-slot="action" href="javascript:alert(1)">A</a>', '2 A link slot belongs on an <a>'],
  ['<p data-fact="shoe-size">9</p>', '2 There is no fact called “shoe-size”'],
  ['<p data-when="hedding">A</p>', '2 data-when takes a slot that stands here, or fact: and a fact, not “hedding”'],
  ['<p data-when="fact:fone">A</p>', '2 data-when takes a slot that stands here, or fact: and a fact, not “fact:fone”'],
  ['<p data-when="">A</p>', '2 data-when takes'],
  ['<ul data-each="menu"><li><a data-part="pgae" href="#">A</a></li></ul>', '2 data-part takes page, not “pgae”'],
  ['<p data-part="page">A</p>', '2 data-part takes nothing outside data-each, not “page”'],
  ['<table><tbody data-each="hours"><tr><td data-part="day">A</td></tr></tbody></table>', '2 data-part takes days or times, not “day”'],
  ['<img data-slot="picture" data-ratio="4/5" src="../../tallow/media/a.jpg" alt="">', '2 data-ratio is one frame or several'],
  ['<img data-slot="picture" data-ratio="0:5" src="../../tallow/media/a.jpg" alt="">', '2 data-ratio is one frame or several'],
  ['<p data-ratio="4:5">A</p>', '2 data-ratio is dropped here'],
  ['<a href="https://elsewhere.example/">A</a>', '2 href is dropped here'],
  ['<a data-slot="heading" href="page:about">A</a>', '2 href is dropped here'],
  ['<img src="../../tallow/media/a.jpg" alt="A">', '2 src is dropped here'],
  ['<img src="../../tallow/media/a.jpg" alt="A">', '2 alt is dropped here'],
])('in a design, %s is refused with its line', (inner, fault) => {
  expect(faultsOf(wrap(inner)).join('\n')).toContain(fault)
})

test.each([
  ['.hero-plain { color: #ff0000; }', '1 The colour #ff0000 is written out'],
  ['.hero-plain { color: rgb(1 2 3); }', '1 The colour rgb() is written out'],
  ['\nh1 { margin: 0; }', '2 A rule must begin with .hero-plain'],
  ['.hero-plain h1, body { margin: 0; }', '1 A rule must begin with .hero-plain'],
  ['@import "https://elsewhere.example/a.css";', '1 @import is not allowed'],
  ['.hero-plain { background: url(//elsewhere.example/a.png); }', '1 A pack fetches nothing'],
  ['.hero-plain { --x: url(//elsewhere.example/a.png); }', '1 A pack fetches nothing'],
  ['.hero-plain { background: image-set("https://elsewhere.example/a.png" 1x); }', '1 A pack fetches nothing'],
  ['.hero-plain { background: -webkit-image-set("a.png" 1x); }', '1 A pack fetches nothing'],
  ['.hero-plain { --x: #f00; }', '1 The colour #f00 is written out'],
  ['.hero-plain { --x: rgb(1 2 3); }', '1 The colour rgb() is written out'],
  ['.hero-plain { --x: Red; }', '1 The colour “Red” is written out'],
  ['.hero-plain { color: red; }', '1 The colour “red” is written out'],
  ['.hero-plain { border: 1px solid CanvasText; }', '1 The colour “CanvasText” is written out'],
  ['.hero-plain { background: linear-gradient(var(--text), tomato); }', '1 The colour “tomato” is written out'],
  ['.hero-plain { color: color-mix(in oklab, var(--text), var(--mark)); }', '1 The colour color-mix() is written out'],
  ['.hero-plain { color: light-dark(var(--text), var(--mark)); }', '1 The colour light-dark() is written out'],
  ['.hero-plain ~ section { margin: 0; }', '1 A rule must begin with .hero-plain and stay inside it'],
  ['.hero-plain + .other h1 { margin: 0; }', '1 A rule must begin with .hero-plain and stay inside it'],
  ['.hero-plain:hover ~ * { margin: 0; }', '1 A rule must begin with .hero-plain and stay inside it'],
  ['\n@media (width > 1px) { section { margin: 0; } }', '2 A rule must begin with .hero-plain'],
  ['@FONT-FACE { font-family: x; }', '1 @FONT-FACE is not allowed'],
])('in a design’s CSS, %s is refused with its line', (css, fault) => {
  expect(faultsOf(GOOD, css).join('\n')).toContain(fault)
})

test.each([
  '.hero-plain { color: currentcolor; background: transparent; border-color: inherit; fill: none; }',
  '.hero-plain { font-family: tan, var(--font-text); animation: red 1s; grid-area: gold; will-change: tomato; }',
  '.hero-plain > h1 ~ p, .hero-plain h1 + p:has(~ a), .hero-plain.tone-ink::before { margin: 0; }',
  '@keyframes red { from { opacity: 0; } to { opacity: 1; } }',
  '.hero-plain { --x: var(--text, currentcolor); margin: calc(var(--gap) * 2); }',
])('in a design’s CSS, %s is as it should be', (css) => {
  expect(faultsOf(GOOD, css)).toEqual([])
})

test('an unknown kind, no element, and the wrong class are faults', () => {
  expect(parseDesign('carousel', 'x', GOOD, '').faults[0]?.fault).toContain('no kind of section called “carousel”')
  expect(faultsOf('just words')[0]).toContain('A design is one element; here are 0')
  expect(faultsOf('<section class="other"></section>')[0]).toContain('must be “hero-plain”')
})

test('a template.json that is wrong is refused with the place in it', () => {
  const { template, faults } = parseTemplate('odd', JSON.stringify({ format: 2, name: 'Odd' }), '')
  expect(template).toBeNull()
  expect(faults.map((f) => f.fault).join('\n')).toMatch(/^format: /m)
  expect(faults.every((f) => f.file === 'odd/template.json')).toBe(true)
})
