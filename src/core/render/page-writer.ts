import { variantPath, type AssetInfo, type PictureVariant } from '../image'
import { rootFrom } from '../pages'
import type { Page, Place } from '../site'
import type { Site } from '../fill'

/** A place that a sheet marks, and where it stands there: elsewhere only where it shows what another place has. */
export type MarkedPlace = { readonly place: Place; readonly stands: Place }

/** Attributes that a page's policy and scripts go by. */
export const PAGE_USES = ['style', 'data-until', 'data-year', 'data-days'] as const
export type PageUse = (typeof PAGE_USES)[number]

/** One page being written: where it stands decides the addresses of files; the pictures and places that are met are noted. */
export type PageWriter = {
  readonly site: Site
  /** Null for the page shown when an address leads nowhere: it stands at no address of its own. */
  readonly page: Page | null
  readonly pictures: Map<string, PictureVariant>
  /** The places that the marks of a sheet name. */
  readonly places: Map<string, MarkedPlace>
  /** What has been written that a page has to allow, or to do something for. */
  readonly uses: Set<PageUse>
  /** How many pictures have been written so far: the first is in sight at once, the others load when near. */
  written: number
}

export function openPage(site: Site, page: Page | null): PageWriter {
  return { site, page, pictures: new Map(), places: new Map(), uses: new Set(), written: 0 }
}

/** The address of a published file from the page in hand: `../pictures/…`, or from the root on the page for wrong addresses. */
export function fileUrl({ site, page }: PageWriter, path: string): string {
  return rootFrom(site.document, page, site.root) + path
}

/** The address of a picture file; asking for one is what makes it part of the release. */
export function pictureUrl(writer: PageWriter, asset: AssetInfo, variant: PictureVariant): string {
  if (writer.site.mode === 'sheet') return sheetPictureUrl(asset, variant)
  const path = variantPath(asset, variant)
  writer.pictures.set(path, variant)
  return fileUrl(writer, path)
}

/** Where a sheet finds a picture file on the application: asset, frame, focus, width. */
export function sheetPictureUrl(asset: AssetInfo, variant: PictureVariant): string {
  const focus = `${Math.round(variant.focus.x * 100)}-${Math.round(variant.focus.y * 100)}`
  const ratio = (variant.ratio ?? 'whole').replace(':', 'x')
  return `/media/${encodeURIComponent(asset.id)}/${ratio}/${focus}/${variant.width}.${variant.format}`
}
