import { useMemo } from 'react'
import type { Site } from '@/core/fill'
import type { Spot } from '@/core/plan'
import { COLUMN_REMS, findSection, ownColumn, type Page, type SectionId, type SiteDocument } from '@/core/site'
import { TryOn } from '../sheets/try-on'

type Props = {
  readonly site: Site
  readonly page: Page
  readonly section: SectionId
  readonly name: string
  /** How wide the column is that it would stand in, in px; null for the page itself. */
  readonly beside: number | null
}

/** The height that both widths are shown at, in px. */
const HEIGHT = 150

/** How wide a column is that a spot lies in, in px; null for a spot of a page's own. */
export function columnPx(document: SiteDocument, { in: where }: Spot): number | null {
  const width = where.type === 'side' ? ownColumn(document, where.page, where.side)?.width : undefined
  return width === undefined || width === 'none' ? null : COLUMN_REMS[width] * 16
}

/** The site with nothing on it but a section: its style sheet is of one look and not of all, and there may be a hundred frames. */
function withAlone(site: Site, id: SectionId): Site {
  const section = findSection(site.document, id)
  return section ? { ...site, document: { ...site.document, sections: { [id]: section } } } : site
}

/** A section alone as it would stand on a page, on desktop and on the phone. */
export function SectionTryOn({ site, page, section, name, beside }: Props) {
  const alone = useMemo(() => withAlone(site, section), [site, section])
  const shared = { site: alone, page, only: section, height: HEIGHT }
  const phone = `${name}, tried on, on the phone`
  return beside === null ? (
    <span className="flex gap-1">
      <TryOn {...shared} layout={1280} width={220} label={`${name}, tried on`} />
      <TryOn {...shared} layout={390} width={62} label={phone} />
    </span>
  ) : (
    <span className="flex gap-1">
      <TryOn {...shared} layout={beside} width={141} label={`${name}, tried on`} />
      <TryOn {...shared} layout={390} width={141} label={phone} />
    </span>
  )
}
