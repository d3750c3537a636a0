import { boundsOf, type Area } from '../image'
import { getDesign, sectionPlaceholders, shownValue, type DesignElement, type DesignNode } from '../pack'
import type { Section } from '../site'
import type { PageScope } from './site'
import { siteScheme, veilOf } from './styles'

/**
 * An element that lies over the section's picture gets a veil for each width, as strong as that picture's own pixels ask for
 * where the element can stand, whatever its words.
 */
export function veiled({ site }: PageScope, section: Section, element: DesignElement, areas: readonly [Area, Area, Area]): DesignElement {
  if (section.tone !== 'picture') return element
  const design = getDesign(site.pack, section.kind, section.design)
  const frame = findFrame(design.tree)
  const found = frame && shownValue(section, sectionPlaceholders(site.pack, site.document, section), frame.slot)
  const asset = found?.value.type === 'image' ? site.assets[found.value.asset] : undefined
  if (!frame || !asset || found?.value.type !== 'image') return element
  const focus = found.value.focus ?? asset.focus
  const { picture } = siteScheme(site)
  // Where visitors choose between two forms whose roles were set apart by hand, the veil that suits any picture stands.
  if (site.document.dark === 'visitor' && JSON.stringify(siteScheme(site, true).picture) !== JSON.stringify(picture)) return element
  const veils = areas.map((area) => veilOf(picture, boundsOf(asset, frame.ratio, focus, area)))
  return { ...element, attrs: { ...element.attrs, class: `${element.attrs.class ?? ''} veiled`.trim(), style: veils.map((veil, i) => `--veil-${i + 1}:${veil}`).join(';') } }
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
