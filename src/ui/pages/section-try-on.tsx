import type { Site } from '@/core/fill'
import type { Page, SectionId } from '@/core/site'
import { TryOn } from '../sheets/try-on'

type Props = { readonly site: Site; readonly page: Page; readonly section: SectionId; readonly name: string }

/** The height that both widths are shown at, in px. */
const HEIGHT = 150

/** A section alone as it would stand on a page, on desktop and on the phone. */
export function SectionTryOn({ site, page, section, name }: Props) {
  const shared = { site, page, only: section, height: HEIGHT }
  return (
    <span className="flex gap-1">
      <TryOn {...shared} layout={1280} width={220} label={`${name}, tried on`} />
      <TryOn {...shared} layout={390} width={62} label={`${name}, tried on, on the phone`} />
    </span>
  )
}
