import type { AssetInfo, AssetTable, PictureVariant } from '../image'
import { pictureVariants, variantPath } from '../image'
import { shownPlaces, getDesign, getTemplate, sectionPlaceholders, shownValue, listItems, type Pack } from '../pack'
import type { Page, SiteDocument } from '../site'

/** What the renderer is given: it reads nothing else. */
export type Site = {
  readonly document: SiteDocument
  readonly pack: Pack
  readonly assets: AssetTable
  /** A draft marks each slot's element, so that the editor can find it; a release carries no marks. */
  readonly mode: 'draft' | 'release'
}

/** One page being written: where it stands decides its links; the pictures it needs are noted as they are met. */
export type PageScope = {
  readonly site: Site
  /** Null for the page shown when an address leads nowhere: it stands at no address of its own. */
  readonly page: Page | null
  readonly pictures: Map<string, PictureVariant>
  /** How many pictures have been written so far: the first is in sight at once, the others load when near. */
  written: number
}

export function openPage(site: Site, page: Page | null): PageScope {
  return { site, page, pictures: new Map(), written: 0 }
}

/** The address of a published file from the page in hand: `../pictures/…`, or `/pictures/…` on the page for wrong addresses. */
export function fileUrl(scope: PageScope, path: string): string {
  if (scope.page === null) return `/${path}`
  return scope.page.segment === '' ? path : `../${path}`
}

/** The address of a picture file; asking for one is what makes it part of the release. */
export function pictureUrl(scope: PageScope, asset: AssetInfo, variant: PictureVariant): string {
  if (scope.site.mode === 'draft') return draftPictureUrl(asset, variant)
  const path = variantPath(asset, variant)
  scope.pictures.set(path, variant)
  return fileUrl(scope, path)
}

/** Where a draft finds a picture file on the application: asset, frame, focus, width. */
export function draftPictureUrl(asset: AssetInfo, variant: PictureVariant): string {
  const focus = `${Math.round(variant.focus.x * 100)}-${Math.round(variant.focus.y * 100)}`
  return `/media/${encodeURIComponent(asset.id)}/${(variant.ratio ?? 'whole').replace(':', 'x')}/${focus}/${variant.width}.${variant.format}`
}

/** The first picture a visitor sees on a page, for the card that others show when they share it. */
export function findCardPicture(site: Site, page: Page): { asset: AssetInfo; variant: PictureVariant } | null {
  for (const section of page.sections) {
    const placeholders = sectionPlaceholders(site.pack, site.document, section)
    for (const { slot, type, fields } of shownPlaces(getDesign(site.pack, section.kind, section.design)).slots) {
      const field = fields.find((f) => f.type === 'image')
      const first = listItems(section, placeholders, slot)[0]
      const path = type === 'image' ? slot : field && first ? `${slot}/${first}/${field.slot}` : null
      const shown = path ? shownValue(section, placeholders, path) : null
      const asset = shown?.value.type === 'image' ? site.assets[shown.value.asset] : undefined
      if (!asset || asset.vector || shown?.value.type !== 'image') continue
      // 1200 × 630: the size sharing services ask for. Common practice, no source.
      return { asset, variant: { ...pictureVariants(asset, '40:21', shown.value.focus ?? asset.focus).fallback, width: 1200, height: 630, format: 'jpg' } }
    }
  }
  return null
}

export function templateOf(site: Site): ReturnType<typeof getTemplate> {
  return getTemplate(site.pack, site.document.template)
}
