import { capital } from '../capital'
import { own } from '../own'
import type { LedgerFact, PagePart } from '../fill'
import { DAY_NAMES } from '../site'

/** What we call facts on our own screens. */
export const FACT_SAID = {
  name: 'Name',
  tagline: 'Tagline',
  phone: 'Telephone',
  email: 'Email',
  address: 'Address',
  hours: 'Opening hours',
} as const satisfies Record<LedgerFact, string>

/** What we call the texts of a page. */
export const PAGE_PART_SAID = {
  name: 'Name',
  address: 'Address',
  label: 'Name in the menu',
  title: 'Title',
  description: 'Description',
} as const satisfies Record<PagePart, string>

export const BRAND_PART_SAID = { colour: 'Colour', logo: 'Logo' } as const

const LABELS_SAID: Readonly<Record<string, string>> = {
  skip: 'Link to the content',
  pages: 'Menu, as it is read out',
  'pages-again': 'Menu at the foot, read out',
  ...DAY_NAMES,
}

/** What we call a label. */
export function labelSaid(label: string): string {
  return own(LABELS_SAID, label) ?? capital(label.replaceAll('-', ' '))
}
