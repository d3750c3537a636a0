import type { TextStyleName } from '@/core/site'

/** What each text style is called. */
export const STYLE_WORDS: Readonly<Record<TextStyleName, string>> = {
  h1: 'Heading 1',
  h2: 'Heading 2',
  h3: 'Heading 3',
  h4: 'Heading 4',
  h5: 'Heading 5',
  h6: 'Heading 6',
  body: 'Body',
  small: 'Small',
  quote: 'Quote',
  button: 'Button',
  menu: 'Menu',
}
