import { describe, expect, test } from 'vitest'
import { alterationChoices, alterationSteps, fromKept, toKept } from '.'
import { fillPage, type FilledElement, type FilledNode, type Site } from '../fill'
import { answersOf, findDesign, getTemplate, parseDesign } from '../pack'
import { renderBody, tokenCss } from '../render'
import { ALTERATION_NAMES, ALTERATIONS, findSection, homePage, sectionsOn, type SiteDocument } from '../site'
import { evaluateLength } from '../type'
import { editTo, wear } from '../wear'
import { testPack, testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'

const site = testSite({ name: 'Client' })
const pack = testPack()
const hero = sectionsOn(site.document, homePage(site.document).id)[0]!
const cut = (document: SiteDocument, part: Parameters<typeof alterationSteps>[3], value: string | null, id = hero.id): SiteDocument =>
  edited(document, ...alterationSteps(pack, document, [id], part, value))
const rootClass = (on: Site): string => /<section class="([^"]+)"/.exec(renderBody(on, homePage(on.document)))![1]!
const on = (document: SiteDocument): Site => ({ ...site, document })

describe('alterations', () => {
  test('what is altered stands on the section’s element as classes that its design reckons with, and goes again without a trace', () => {
    const altered = cut(cut(site.document, 'above', 'less'), 'heading', 'larger')
    expect(rootClass(on(altered))).toBe(`${rootClass(site)} cut-above-less cut-heading-larger`)
    expect(cut(cut(altered, 'above', null), 'heading', null)).toEqual(site.document)
  })

  test('only what a design answers to is offered, set and drawn', () => {
    const offered = alterationChoices(pack, site.document, [hero.id]).map(({ part }) => part)
    expect(offered).toEqual(expect.arrayContaining(['above', 'below', 'heading', 'measure', 'frame']))
    expect(offered).not.toContain('columns')
    expect(alterationSteps(pack, site.document, [hero.id], 'columns', '3')).toEqual([])
    // What another design could do stays in the document and is not drawn.
    const kept = edited(site.document, { type: 'section/set', section: hero.id, part: 'columns', value: '3' })
    expect(rootClass(on(kept))).toBe(rootClass(site))
  })

  test('of several sections each takes what its design can do, and the setting shown is one that all of them have', () => {
    const page = sectionsOn(site.document, homePage(site.document).id)
    const ids = page.map(({ id }) => id)
    const all = edited(site.document, ...alterationSteps(pack, site.document, ids, 'above', 'more'))
    const of = (document: SiteDocument): string | null => alterationChoices(pack, document, ids).find(({ part }) => part === 'above')!.value
    expect([of(site.document), of(all), of(cut(all, 'above', 'none'))]).toEqual([null, 'more', null])
  })

  test('alterations outlive a change of template and of design, where the next can do the same, and come back with the first', () => {
    const altered = cut(cut(site.document, 'above', 'more'), 'measure', 'narrow')
    const worn = edited(altered, editTo(altered, wear(pack, altered, 'limewash')))
    const there = findSection(worn, hero.id)!
    expect(there.design).not.toBe(hero.design)
    expect(there).toMatchObject({ above: 'more', measure: 'narrow' })
    expect(rootClass(on(worn))).toMatch(/ cut-above-more cut-measure-narrow$/)
    expect(edited(worn, editTo(worn, wear(pack, worn, 'tallow')))).toEqual(altered)
  })

  test('a frame that is altered frames every picture of the section, and cuts are kept with a kept section', () => {
    const framed = cut(site.document, 'frame', '16:9')
    const ratios: (string | null)[] = []
    const walk = (nodes: readonly FilledNode[]): void =>
      nodes.forEach((node) => {
        if (typeof node === 'string' || node.type === 'still') return
        const element = node as FilledElement
        if (element.picture) ratios.push(element.picture.ratio)
        walk(element.children)
      })
    const filled = fillPage(on(framed), homePage(framed)).main.find(({ id }) => id === hero.id)!
    walk([filled.root!])
    expect(ratios).toEqual(['16:9'])
    const { steps, section } = fromKept(framed, toKept(framed, findSection(framed, hero.id)!), { in: hero.in, after: null }, () => 'x')
    expect(findSection(edited(framed, ...steps), section)).toMatchObject({ frame: '16:9' })
  })

  test('a release has the rules that it uses, a sheet all of them; a larger heading is a step of the scale or less', () => {
    expect(tokenCss(site)).not.toContain('.cut-')
    const altered = cut(cut(site.document, 'heading', 'larger'), 'below', 'none')
    expect(tokenCss(on(altered)).match(/\.cut-[\w-]+/g)).toEqual(['.cut-below-none', '.cut-heading-larger', '.cut-heading-larger'])
    const sheet = tokenCss({ ...site, mode: 'sheet' })
    for (const part of ALTERATION_NAMES.filter((name) => name !== 'side' && name !== 'frame'))
      for (const setting of ALTERATIONS[part]) expect(sheet).toContain(`.cut-${part}-${setting}{`)
    const [, phone, desktop] = /larger\{--cut-heading:([\d.]+)\}@media[^{]+\{\.cut-heading-larger\{--cut-heading:([\d.]+)\}/.exec(sheet)!
    expect([Number(phone), Number(desktop)].every((by) => by > 1.05 && by <= 1.25)).toBe(true)
  })

  test('a length that reckons with an alteration is what it was where nothing is altered', () => {
    const scope = { widthPx: 1280, emPx: 16, variables: new Map([['--rise', '5rem']]) }
    expect(evaluateLength('calc(var(--rise) * var(--cut-above, 1))', scope)).toBe(80)
    expect(getTemplate(pack, 'tallow').type.styles.h2).toMatchObject(getTemplate(pack, 'tallow').type.steps[3])
  })

  test('what a brought-in design answers to is read from its CSS: a property for every setting but its own, a class for one', () => {
    const html = '<section class="title-plain"><h1 data-slot="heading">Words</h1></section>'
    const css = '.title-plain { text-align: var(--cut-align, end); } .title-plain.cut-above-more { padding-block-start: 4rem; }'
    const { design } = parseDesign('title', 'plain', html, css)
    const answers = answersOf(design!, '')
    expect(answers).toEqual({ align: ['start', 'center'], above: ['more'] })
    expect(answersOf(findDesign(pack, 'title', 'line')!, 'h1 { font-size: 3rem }').heading).toBeUndefined()
  })
})
