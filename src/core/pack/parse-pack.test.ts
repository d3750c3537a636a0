import { expect, test } from 'vitest'
import { testPack } from '../../../tests/pack'
import { designsOf, parsePack, placeInPack, templateSections } from '.'
import { KINDS } from '../site'
import { readJson } from './json-lines'

const TOKENS =
  '--step--1: 1rem; --step-0: 1rem; --step-1: 1rem; --step-2: 1rem; --step-3: 1rem; --step-4: 1rem; --step-5: 1rem;' +
  ' --rise: 3rem; --gutter: 1rem; --edge: 1rem; --gap: 1rem; --measure: 30rem;'
const SURFACE = { l: 0.9, c: 0.01, h: 80 }
const section = (key: string, kind: string, design: string, slots: object = {}): object => ({ key, kind, design, tone: 'paper', slots })
const HOURS = Object.fromEntries(['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'].map((d) => [d, []]))
const template = (change: object = {}): object => ({
  format: 1,
  name: 'Small',
  trades: [],
  description: 'x',
  licence: 'x',
  price: 'free',
  language: 'en',
  fonts: { display: 'vollkorn', text: 'vollkorn' },
  schemes: [{ key: 'a', name: 'A', colour: '#123456', paper: SURFACE, tint: SURFACE, ink: SURFACE }],
  facts: {
    name: 'N',
    tagline: 't',
    phone: '1',
    email: 'e',
    address: { street: '', locality: '', postcode: '', country: '' },
    hours: HOURS,
  },
  media: {},
  header: section('header', 'header', 'plain'),
  footer: section('footer', 'footer', 'plain'),
  notFound: section('not-found', 'title', 'plain'),
  pages: [{ key: 'home', name: 'Home', segment: '', description: 'x', sections: [section('title', 'title', 'plain')] }],
  ...change,
})
const DESIGNS: Record<string, string> = {
  'designs/header/plain.html': '<header class="header-plain"><a data-logo href="#">N</a></header>',
  'designs/header/plain.css': '.header-plain { padding: 1rem }',
  'designs/footer/plain.html': '<footer class="footer-plain"><p data-slot="legal">x</p></footer>',
  'designs/footer/plain.css': '',
  'designs/title/plain.html': '<section class="title-plain"><h1 data-slot="heading">x</h1></section>',
  'designs/title/plain.css': '',
}
const faultsOf = (files: Record<string, string>, media: string[] = []): string[] =>
  parsePack({ texts: new Map(Object.entries(files)), media: new Set(media) }).faults.map((f) => `${f.file}:${f.line} ${f.fault}`)
const pack = (json: unknown, more: Record<string, string> = {}, css = `:root { ${TOKENS} }`): Record<string, string> => ({
  ...DESIGNS,
  'small/template.json': JSON.stringify(json, null, 1),
  'small/template.css': css,
  ...more,
})

test('a small pack written after the format has no fault', () => {
  expect(faultsOf(pack(template()))).toEqual([])
})

test('the shipped templates have at least 40 designs over 16 kinds, four of them seven page designs and three schemes', () => {
  const shipped = testPack()
  expect(Object.keys(shipped.designs).length).toBeGreaterThanOrEqual(40)
  expect(Object.keys(KINDS).filter((kind) => designsOf(shipped, kind as 'hero').length > 0).length).toBeGreaterThanOrEqual(16)
  for (const id of ['tallow', 'limewash', 'windrow', 'gantry']) {
    const { pages, schemes } = shipped.templates[id]!
    expect(pages.length, id).toBeGreaterThanOrEqual(7)
    expect(schemes.length, id).toBeGreaterThanOrEqual(3)
    for (const key of ['home', 'about', 'services', 'prices', 'contact', 'landing', 'legal'])
      expect(
        pages.map((p) => p.key),
        id,
      ).toContain(key)
    expect(
      pages.some((p) => p.sections.some((s) => s.kind === 'gallery')),
      id,
    ).toBe(true)
  }
  // Not one skeleton in four colours: no two share a design, the small print apart.
  const used = ['tallow', 'limewash', 'windrow', 'gantry'].map(
    (id) => new Set(templateSections(shipped.templates[id]!).map((s) => `${s.kind}/${s.design}`)),
  )
  for (const [i, a] of used.entries())
    for (const b of used.slice(i + 1)) expect([...a].filter((design) => b.has(design))).toEqual(['legal/clauses'])
})

test('every fault of a bad pack is told at once, with file and line', () => {
  const html =
    '<section class="title-bad">\n<h1 data-slot="heading" onclick="x()">x</h1>\n<script>x()</script>\n<img ' +
    'data-slot="picture" src="https://elsewhere.example/x.jpg" alt="">\n<p data-slot="subtitle">x</p></section>'
  const css = '.title-bad { color: #fff }\n.title-bad { background: url(https://elsewhere.example/x.png) }\nbody { margin: 0 }'
  const found = faultsOf(
    pack(template(), {
      'designs/title/bad.html': html,
      'designs/title/bad.css': css,
      'designs/marquee/wild.html': '<p class="marquee-wild">x</p>',
      'designs/marquee/wild.css': '',
    }),
  )
  for (const line of [
    'designs/title/bad.html:2 The attribute onclick is not allowed',
    'designs/title/bad.html:3 <script> is not allowed',
    'designs/title/bad.html:4 The kind title has no slot called “picture”',
    'designs/title/bad.html:5 The kind title has no slot called “subtitle”',
    'designs/title/bad.css:1 The colour #fff is written out',
    'designs/title/bad.css:2 A pack fetches nothing',
    'designs/title/bad.css:3 A rule must begin with .title-bad',
    'designs/marquee/wild.html:0 There is no kind of section called “marquee”',
  ])
    expect(found.join('\n')).toContain(line)
})

test('faults of template.json stand at their lines', () => {
  const json = JSON.stringify(
    template({
      pages: [
        {
          key: 'home',
          name: 'Home',
          segment: '',
          description: 'x',
          sections: [
            section('a', 'marquee', 'plain'),
            section('b', 'title', 'nowhere'),
            section('c', 'title', 'plain', { heading: 7, subtitle: 'x' }),
          ],
        },
        { key: 'home', name: 'Again', segment: '', description: 'x', sections: [] },
      ],
      fonts: { display: 'comic', text: 'vollkorn' },
      media: { 'gone.jpg': { alt: '', focus: { x: 0, y: 0 } } },
    }),
    null,
    1,
  )
  const lineOf = (part: string, nth = 0): number =>
    json
      .split(part)
      .slice(0, nth + 1)
      .join(part)
      .split('\n').length
  const found = faultsOf({ ...DESIGNS, 'small/template.json': json, 'small/template.css': `:root { ${TOKENS} }` })
  expect(found).toEqual(
    expect.arrayContaining([
      expect.stringContaining(`small/template.json:${lineOf('"marquee"')} a: there is no kind`),
      expect.stringContaining(`:${lineOf('"heading"')} c: heading is not a text`),
      expect.stringContaining(`:${lineOf('"subtitle"')} c: the kind title has no slot`),
      expect.stringContaining(`:${lineOf('"comic"') - 1} There is no type family “comic”`),
      expect.stringContaining(`:${lineOf('"gone.jpg"')} The picture media/gone.jpg is named but not there`),
      expect.stringContaining('There are two pages with the key “home”'),
    ]),
  )
  expect(found.join('\n')).toMatch(/b: there is no design title\/nowhere/)
})

test('JSON that cannot be read, and a schema that is not met, are told by line', () => {
  expect(
    faultsOf({ ...DESIGNS, 'small/template.json': '{\n  "format": 1,\n  "name": \n}', 'small/template.css': `:root { ${TOKENS} }` })[0],
  ).toMatch(/^small\/template.json:4 Not valid JSON/)
  const json = JSON.stringify(template({ schemes: [] }), null, 1)
  expect(faultsOf({ ...DESIGNS, 'small/template.json': json, 'small/template.css': `:root { ${TOKENS} }` })[0]).toContain(
    `small/template.json:${json.split('"schemes"')[0]!.split('\n').length} schemes:`,
  )
})

test('a template’s own style defines every token and fetches nothing', () => {
  expect(faultsOf(pack(template(), {}, ':root { --step-0: 1rem }\n@import "x.css";\na { color: rgb(1 2 3) }')).join('\n')).toMatch(
    /@import is not allowed[\s\S]*rgb\(\) is written out[\s\S]*--step-5 is not defined/,
  )
  expect(faultsOf({ ...pack(template()), 'designs/title/alone.css': '' }).join()).toContain(
    'designs/title/alone.css:0 A style without the file',
  )
})

test('a design’s style says what CSS can lay out and draw with tokens, whatever its names are written with', () => {
  const styled = (css: string): string => faultsOf(pack(template(), { 'designs/title/plain.css': css })).join('\n')
  for (const [css, fault] of [
    ['.title-plain { background: image-set("https://evil.example/a" 1x) }', /fetches nothing/],
    ['.title-plain { background: im\\61ge-set("https://evil.example/a" 1x) }', /fetches nothing/],
    ['.title-plain { background: u\\72l(https://evil.example/a) }', /fetches nothing|Not valid CSS/],
    ['.title-plain { --a: cross-fade(url(https://evil.example/a), none) }', /fetches nothing/],
    ['.title-plain { cursor: url(https://evil.example/a), auto }', /fetches nothing/],
    ['.title-plain { width: attr-of(href) }', /function attr-of\(\) has no place/],
    ['.title-plain { src: local(a) }', /property src is not known/],
    ['.title-plain { behaviour: none }', /property behaviour is not known/],
    ['.title-plain { position: fixed }', /Only a header’s menu may be fixed/],
    ['.title-plain ~ * { display: none }', /reaches other sections/],
    ['.title-plain + .hero-x { display: none }', /reaches other sections/],
    ['.title-plain { & ~ * { display: none } }', /reaches other sections/],
    [':root:has(.title-plain) { display: none }', /reaches other sections/],
    ['@\\69mport "x.css";', /is not allowed/],
    ['@font-face { font-family: a }', /is not allowed/],
  ] as const)
    expect(styled(css), css).toMatch(fault)
  expect(styled('.title-plain { inline-size: min(40ch, 100%); translate: 0 calc(var(--rise) / 2) }')).toBe('')
})

test('what is more than any pack is said before it is read, and what doubles is followed once', () => {
  const styled = (css: string): string => faultsOf(pack(template(), { 'designs/title/plain.css': css })).join('\n')
  expect(styled('.title-plain { color: var(--mark) }\n'.repeat(2000))).toMatch(/more than 1500 rules/)
  expect(styled(`.title-plain { ${'gap: 1rem; '.repeat(7000)} }`)).toMatch(/more than 6000 declarations/)
  expect(styled(`/* ${'x'.repeat(140_000)} */`)).toMatch(/more than 128 kB/)
  const deep = { 'designs/title/plain.html': `<section class="title-plain">${'<div>'.repeat(20_000)}` }
  expect(faultsOf(pack(template(), deep)).join('\n')).toMatch(/more than 100 deep/)
  // What holds nothing does not lie in what came before it, and brackets in words hold nothing.
  const flat = { 'designs/title/plain.html': `<section class="title-plain"><h1 data-slot="heading">x</h1>${'<br>'.repeat(300)}</section>` }
  expect(faultsOf(pack(template({ description: '['.repeat(300) }), flat)).join('\n')).not.toMatch(/deep/)
  const json = { 'small/template.json': `${'['.repeat(50_000)}${']'.repeat(50_000)}` }
  expect(faultsOf(pack(template(), json)).join('\n')).toMatch(/more than 100 deep/)
  const doubling = Array.from({ length: 40 }, (_, i) => `--d${i}: calc(var(--d${i + 1}) + var(--d${i + 1}))`).join('; ')
  const css = `:root { ${TOKENS.replace('--step-0: 1rem', '--step-0: var(--d0)')} ${doubling}; --d40: 1px }`
  expect(faultsOf(pack(template(), {}, css))).toEqual([])
})

test('a template names only what a document can name', () => {
  expect(faultsOf(pack(template({ language: 'English' }))).join()).toMatch(/language: /)
  const page = (key: string, segment = ''): object => ({ key, name: 'Home', segment, description: 'x', sections: [] })
  for (const bad of [page('k'.repeat(70)), page('constructor'), page('home', 's'.repeat(90))])
    expect(faultsOf(pack(template({ pages: [bad] }))).length, JSON.stringify(bad)).toBeGreaterThan(0)
})

test('only files of the format have a place in a pack', () => {
  for (const [path, place] of [
    ['designs/hero/a-b.html', 'design'],
    ['small/template.json', 'template'],
    ['small/media/a.jpg', 'media'],
  ] as const)
    expect(placeInPack(path)).toBe(place)
  for (const path of [
    '../small/template.json',
    '/etc/passwd',
    'small/media/../../x.jpg',
    'small/media/a.gif',
    'designs/template.json',
    'small/script.js',
    'C:\\x',
    'designs/hero/A.html',
    '.git/config',
  ])
    expect(placeInPack(path), path).toBeNull()
})

test('the line of a part is found, and of what stands around it where it is missing', () => {
  const { lineOf } = readJson('{\n "a": {\n  "b": [1,\n   2]\n }\n}')
  expect([lineOf(['a']), lineOf(['a', 'b']), lineOf(['a', 'b', 1]), lineOf(['a', 'c']), lineOf(['z'])]).toEqual([2, 3, 4, 2, 1])
})
