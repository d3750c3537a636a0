import { toOklch } from '../colour'
import { siteScheme, type Site } from '../fill'
import { pagesShowing, sectionsIn, sectionsOn, shownSection, type EditStep, type PageId, type Section, type Tone } from '../site'

/** Tones that sections take in turn; a picture's is its own. */
const IN_TURN = ['paper', 'tint', 'ink', 'accent'] as const satisfies readonly Tone[]
/** Two surfaces nearer to each other than this in OKLab look the same where they meet. Tried on the shipped schemes. */
const SAME_LOOK = 0.02
/** What it costs to give a section a tone: the quiet ones go in turn, the others are for where they are wanted. */
const COST: Readonly<Record<(typeof IN_TURN)[number], number>> = { paper: 0, tint: 0.1, ink: 1.5, accent: 2.5 }
const AGAIN = 100
const BESIDE_FRAME = 5

/**
 * The steps that let tones alternate down a page: no two neighbours look the same, and the loudest tone stands where the call is.
 * The cheapest row of tones, found from the top down (Viterbi); a section on a picture keeps it.
 */
export function alternateTones(site: Site, page: PageId): readonly EditStep[] {
  const sections = sectionsOn(site.document, page)
    .filter((section) => !section.hidden)
    .map((section) => shownSection(site.document, section))
  const tones = cheapest(site, sections)
  return sections.flatMap((section, i): EditStep[] => {
    const value = tones[i]
    return value && value !== section.tone && section.in.type === 'page' && section.in.page === page
      ? [{ type: 'section/set', section: section.id, part: 'tone', value }]
      : []
  })
}

type Row = { readonly cost: number; readonly tones: readonly Tone[] }

function cheapest(site: Site, sections: readonly Section[]): readonly Tone[] {
  const looksSame = sameLooks(site)
  const loudest = loudestTone(site)
  const header = sectionsIn(site.document, { type: 'header' }).at(-1)?.tone
  const footer = sectionsIn(site.document, { type: 'footer' })[0]?.tone
  let rows: readonly Row[] = [{ cost: 0, tones: [] }]
  sections.forEach((section, i) => {
    const isLast = i === sections.length - 1
    // What stands on a picture keeps it, and so does what other pages show too.
    const isFixed = section.tone === 'picture' || pagesShowing(site.document, section.id).length > 1
    const choices: readonly Tone[] = isFixed ? [section.tone] : IN_TURN
    rows = choices.map((tone) => {
      const own = ownCost(section, tone, loudest) + (isLast && footer && looksSame(tone, footer) ? BESIDE_FRAME : 0)
      const best = rows
        .map(({ cost, tones }) => {
          const before = tones.at(-1)
          const beside = before
            ? looksSame(before, tone)
              ? AGAIN
              : 0
            : header && tone !== 'paper' && looksSame(header, tone)
              ? BESIDE_FRAME
              : 0
          return { cost: cost + own + beside, tones: [...tones, tone] }
        })
        .reduce((a, b) => (b.cost < a.cost ? b : a))
      return best
    })
  })
  return rows.reduce((a, b) => (b.cost < a.cost ? b : a)).tones
}

function ownCost({ kind }: Section, tone: Tone, loudest: Tone): number {
  // Where the loudest would run into the footer, the next loud one stands for it.
  if (kind === 'action') return tone === loudest ? 0 : tone === 'ink' || tone === 'accent' ? 1 : 3
  return tone === 'picture' ? 0 : (COST as Readonly<Partial<Record<Tone, number>>>)[tone]! + (tone === loudest ? 1 : 0)
}

function sameLooks(site: Site): (a: Tone, b: Tone) => boolean {
  const scheme = siteScheme(site)
  return (a, b) => a === b || (a !== 'picture' && b !== 'picture' && distance(scheme[a].surface, scheme[b].surface) < SAME_LOOK)
}

/** The tone whose surface stands out from paper most. */
export function loudestTone(site: Site): Tone {
  const scheme = siteScheme(site)
  const far = (tone: Tone): number => distance(scheme[tone].surface, scheme.paper.surface)
  return (['ink', 'accent'] as const).reduce((a, b) => (far(b) > far(a) ? b : a))
}

function distance(a: string, b: string): number {
  const [p, q] = [toOklch(a), toOklch(b)]
  const between = 2 * p.c * q.c * Math.cos(((p.h - q.h) * Math.PI) / 180)
  return Math.sqrt(Math.max(0, (p.l - q.l) ** 2 + p.c ** 2 + q.c ** 2 - between))
}
