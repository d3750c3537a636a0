import type { ReadElement } from '../fill'
import type { TextStyleName } from '../site'

const byTag =
  (...tags: string[]) =>
  ({ tag }: ReadElement): boolean =>
    tags.includes(tag)

/** Which elements of a page are set in each text style; a menu's are those of its links. */
export const STYLED: Readonly<Record<Exclude<TextStyleName, 'menu'>, (element: ReadElement) => boolean>> = {
  h1: byTag('h1'),
  h2: byTag('h2'),
  h3: byTag('h3'),
  h4: byTag('h4'),
  h5: byTag('h5'),
  h6: byTag('h6'),
  body: byTag('p', 'li', 'dd'),
  small: byTag('small', 'figcaption'),
  quote: byTag('blockquote'),
  button: ({ classes }) => classes.includes('button'),
}
