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
])('in a design’s CSS, %s is refused with its line', (css, fault) => {
  expect(faultsOf(GOOD, css).join('\n')).toContain(fault)
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
