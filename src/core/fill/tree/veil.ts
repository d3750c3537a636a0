import { own } from '../../own'
import { boundsOf, type Area } from '../../image'
import { getDesign, type DesignNode } from '../../pack'
import { isSame, type Section } from '../../site'
import { shownSlot } from '../content'
import { contentOf } from '../content-of'
import { siteScheme, veilOf } from '../site-scheme'
import { siteDirection } from './direction'
import type { PageScope } from './page-scope'

/**
 * The attributes of an element that lies over the section's picture: a veil for each width, as strong as that picture's own
 * pixels ask for where the element can stand, whatever its words. Null where the veil that suits any picture stands.
 */
export function veilAttributes(
  { site }: PageScope,
  section: Section,
  areas: readonly [Area, Area, Area],
): { readonly style: string } | null {
  if (section.tone !== 'picture') return null
  const frame = findFrame(getDesign(site.pack, section.kind, section.design).tree)
  const found = frame && shownSlot(contentOf(site.pack, site.document, section), frame.slot)
  const asset = found?.value.type === 'image' ? own(site.assets, found.value.asset) : undefined
  if (!frame || !asset || found?.value.type !== 'image') return null
  const focus = found.value.focus ?? asset.focus
  const { picture } = siteScheme(site)
  // Where visitors choose between two forms whose roles were set apart by hand, the veil that suits any picture stands.
  if (site.document.dress.dark === 'visitor' && !isSame(siteScheme(site, true).picture, picture)) return null
  const isMirrored = siteDirection(site.document) === 'rtl'
  const veils = areas.map((area) => veilOf(picture, boundsOf(asset, frame.ratio, focus, isMirrored ? mirrored(area) : area)))
  return { style: veils.map((veil, i) => `--veil-${i + 1}:${veil}`).join(';') }
}

/** Words stand on the other side of a picture, which itself is not turned round. */
function mirrored({ left, right, ...rest }: Area): Area {
  return { ...rest, left: 1 - right, right: 1 - left }
}

type Frame = { readonly slot: string; readonly ratio: string | null }

/** The first picture that a design shows. */
function findFrame(node: DesignNode): Frame | null {
  if (typeof node === 'string') return null
  if (node.binding?.type === 'slot' && node.binding.slotType === 'image') return { slot: node.binding.slot, ratio: node.binding.ratio }
  for (const child of node.children) {
    const found = findFrame(child)
    if (found) return found
  }
  return null
}
