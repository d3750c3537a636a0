import { opticalSize, pictureVariants, type AssetInfo, type Size } from '../image'
import type { SiteDocument } from '../site'
import { pictureUrl, type PageWriter } from './page-writer'

/** Logo area in square px and its largest size: about the weight of a name set at 40 px. */
const LOGO_AREA = 12_000
const LOGO_MOST = { width: 340, height: 120 }

/** The size a logo is shown at on desktop: as large as its area weighs, times what was chosen. */
export function logoBox(document: SiteDocument, logo: Size): Size {
  const factor = document.brand['logo-size']?.desktop ?? 1
  return opticalSize(logo, LOGO_AREA * factor ** 2, { width: LOGO_MOST.width * factor, height: LOGO_MOST.height * factor })
}

export function logoSource(writer: PageWriter, logo: AssetInfo): string {
  const { width } = logoBox(writer.site.document, logo)
  const { sources, fallback } = pictureVariants(logo, null, logo.focus)
  return pictureUrl(writer, logo, sources.find((s) => s.width >= width * 2) ?? sources.at(-1) ?? fallback)
}

export function logoSize(document: SiteDocument, logo: Size): string {
  const { width, height } = logoBox(document, logo)
  const size = document.brand['logo-size']
  return ` width="${width}" height="${height}"${size && size.phone !== size.desktop ? ` style="--logo:${width}px"` : ''}`
}
