import type { Site } from '../src/core/fill'
import { pagesOf, ranks, sectionsOn, type Page, type PageId, type Section, type SectionId } from '../src/core/site'
import { testSite } from './pack'

/** A site of many pages: the template's first five, again and again. */
export function siteOfPages(count: number): Site {
  const site = testSite({ name: 'Bench' })
  const five = pagesOf(site.document).slice(0, 5)
  const pages: Page[] = []
  const sections: Section[] = Object.values(site.document.sections).filter((s) => s.in.type !== 'page')
  ranks(count).forEach((rank, i) => {
    const page = five[i % five.length]!
    const id = (i < five.length ? page.id : `p${i}`) as PageId
    pages.push({ ...page, id, rank, segment: i < five.length ? page.segment : `p${i}` })
    for (const s of sectionsOn(site.document, page.id))
      sections.push({ ...s, id: (i < five.length ? s.id : `p${i}.${s.id}`) as SectionId, in: { type: 'page', page: id } })
  })
  const table = <T extends { id: string }>(of: readonly T[]): Record<string, T> => Object.fromEntries(of.map((one) => [one.id, one]))
  return { ...site, document: { ...site.document, pages: table(pages), sections: table(sections) } }
}
