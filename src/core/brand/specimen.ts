import { allOf, fillPage, readElements, type ReadElement, type Site } from '../fill'
import { pagesOf, TEXT_STYLES, type Page, type TextStyleName } from '../site'
import { STYLED } from './styled'

/** Words of the site's own for each text style, from the page in hand first, then from the others; empty where no page has any. */
export type Specimen = Readonly<Record<TextStyleName, string>>

const LEAST_BODY = 70
const MOST = 240
/** What shows a style well: of body text a paragraph that is long enough, of the menu its list. */
const FOUND: Readonly<Record<TextStyleName, (element: ReadElement) => boolean>> = {
  ...STYLED,
  body: (element) => element.tag === 'p' && element.words().length >= LEAST_BODY,
  button: (element) => element.tag === 'a' && STYLED.button(element),
  menu: ({ tag, inside }) => tag === 'ul' && inside.includes('nav'),
}

/** Where a page has no words in a style, those of a neighbour in rank show it. */
const INSTEAD: Partial<Record<TextStyleName, TextStyleName>> = {
  h3: 'h2',
  h4: 'h3',
  h5: 'h4',
  h6: 'h5',
  quote: 'body',
  small: 'body',
  button: 'h3',
}

export function findSpecimen(site: Site, page: Page): Specimen {
  const pages = [page, ...pagesOf(site.document).filter((p) => p.id !== page.id)]
  const found: Partial<Record<TextStyleName, string>> = {}
  for (const one of pages) {
    readPage({ ...site, mode: 'release' }, one, found)
    if (TEXT_STYLES.every((name) => found[name])) break
  }
  const whole = Object.fromEntries(TEXT_STYLES.map((name) => [name, found[name] ?? ''])) as Record<TextStyleName, string>
  for (const name of TEXT_STYLES) if (whole[name] === '') whole[name] = whole[INSTEAD[name] ?? name]
  return whole
}

/** Adds the first words of a page in each style that has none yet. */
function readPage(site: Site, page: Page, found: Partial<Record<TextStyleName, string>>): void {
  for (const { root } of allOf(fillPage(site, page))) {
    readElements(root, (element) => {
      for (const name of TEXT_STYLES) if (!found[name] && FOUND[name](element)) found[name] = element.words().slice(0, MOST)
    })
  }
}
