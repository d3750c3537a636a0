import { allOf, fillPage, picturesIn, type Site } from '../fill'
import { COMPRESSED, phoneBytes } from '../image'
import { renderBody } from '../render'
import type { Page } from '../site'

/** About what a page weighs on a phone, in bytes: its words and pictures. Style sheet and fonts are every page's and left out. */
export function pageBytes(site: Site, page: Page): number {
  const release: Site = { ...site, mode: 'release' }
  const pictures = allOf(fillPage(release, page)).flatMap(({ root }) => picturesIn(root))
  return Math.round(
    renderBody(release, page).length * COMPRESSED + pictures.reduce((sum, { asset, ratio }) => sum + phoneBytes(asset, ratio), 0),
  )
}
