import { cssString, findFamily, getFamily, RANGES, siteTextStyles, type Family, type FontFace, type TextStyles } from '../type'
import { templateOf, type Site } from '../fill'
import { siteLanguage } from '../site'
import { isJoined } from '../words'

/** The families that a site is set in: for headings, for text, and every other one that a style or the set name asks for. */
export type SiteFamilies = { readonly display: Family; readonly text: Family; readonly all: readonly Family[] }

/** A family of the brand that is gone, such as a font file taken out again, is the template's. */
export function siteFamilies(site: Site): SiteFamilies {
  const { brand } = site.document
  const { fonts } = templateOf(site)
  const [display, text] = [familyFor(site, brand.display, fonts.display), familyFor(site, brand.text, fonts.text)]
  const others = [
    ...Object.values(brand.styles ?? {}).map((style) => style?.family),
    brand.logo === undefined ? brand.wordmark?.family : undefined,
  ].flatMap((key) => {
    const family = key === undefined ? null : findFamily(key, brand.fonts)
    return family ? [family] : []
  })
  const all = new Map([display, text, ...others].map((family) => [family.key, family]))
  return { display, text, all: [...all.values()] }
}

function familyFor(site: Site, wanted: string | undefined, usual: string): Family {
  return (wanted === undefined ? null : findFamily(wanted, site.document.brand.fonts)) ?? getFamily(usual)
}

/** The font files of a family, as the application serves them to drafts. */
export function familyFaces(family: Family): FontFace[] {
  return family.files.map((f) => ({
    family: family.name,
    url: `/fonts/${f.file}`,
    weight: f.weight,
    style: f.style,
    range: f.range === null ? undefined : RANGES[f.range],
  }))
}

/** A family as CSS names it, with what stands in for it until it is there. */
export function familyCss({ name, fallback }: Family): string {
  return `${cssString(name)}, ${fallback}`
}

/** The family that a text style is set in. */
export function styleFamily(site: Site, key: string): Family {
  const { display, text } = siteFamilies(site)
  return key === 'display' ? display : key === 'text' ? text : (findFamily(key, site.document.brand.fonts) ?? text)
}

export function textStylesOf(site: Site): TextStyles {
  return siteTextStyles(templateOf(site).type, site.document.brand, isJoined(siteLanguage(site.document)))
}
