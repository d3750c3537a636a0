import { own } from '../own'
import { fillSection, templateOf, type HoldAsk, type Site } from '../fill'
import { allSections, pageOf, findPage, shownSection } from '../site'
import { brandCss } from './brand-css'
import { shortHash } from './short-hash'

/** Every ask of a site for how its texts are held, each once, in the order of its sections. */
export function holdAsksOf(site: Site): readonly HoldAsk[] {
  const asks = new Map<string, HoldAsk>()
  const noting: Site = {
    ...site,
    holds: (ask) => {
      asks.set(JSON.stringify(ask), ask)
      return null
    },
  }
  for (const section of allSections(site.document)) {
    if (shownSection(site.document, section).holds === undefined) continue
    const page = pageOf(section.in)
    fillSection({ site: noting, page: page === null ? null : findPage(site.document, page) }, section)
  }
  return [...asks.values()]
}

/** A name for an ask with all that decides its answer: the words, and the styles that they are set in. */
export function holdKeyOf(site: Site, ask: HoldAsk): string {
  const css = own(site.pack.designs, ask.look)?.css ?? ''
  return shortHash([JSON.stringify(ask), css, templateOf(site).css, brandCss(site)].join('\n'))
}
