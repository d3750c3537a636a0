import { templateOf, type Site } from '../fill'
import { stepSize, type STEPS } from '../type'
import { ALTERATIONS, allSections, alterationsOf } from '../site'

/** What the settings of an alteration come to, as the custom properties that designs reckon with. */
const SPACE = { none: '0', less: '.5', more: '1.6' } as const
const MEASURE = { narrow: '.8', wide: '1.25' } as const
const ALIGN = {
  start: '--cut-align:start;--cut-before:0;--cut-after:auto',
  center: '--cut-align:center;--cut-before:auto;--cut-after:auto',
  end: '--cut-align:end;--cut-before:auto;--cut-after:0',
} as const

/**
 * The rules of alterations. A release has those that it uses; a sheet has all, so that altering a section changes nothing but that section.
 * What has rules in the designs themselves, as the side of a picture has, needs none here.
 */
export function cutCss(site: Site): string {
  const used = new Set(allSections(site.document).flatMap((section) => alterationsOf(section).map(([name, value]) => `${name}-${value}`)))
  const isUsed = (setting: string): boolean => site.mode === 'sheet' || used.has(setting)
  const rules: readonly (readonly [string, string])[] = [
    ...(['above', 'below'] as const).flatMap((part) =>
      ALTERATIONS[part].map((value) => [`${part}-${value}`, `--cut-${part}:${SPACE[value]}`] as const),
    ),
    ...ALTERATIONS.measure.map((value) => [`measure-${value}`, `--cut-measure:${MEASURE[value]}`] as const),
    ...ALTERATIONS.align.map((value) => [`align-${value}`, ALIGN[value]] as const),
    ...ALTERATIONS.columns.map((value) => [`columns-${value}`, `--cut-columns:repeat(${value},minmax(0,1fr))`] as const),
    ['stagger-none', '--cut-stagger:0'],
  ]
  const plain = rules.filter(([setting]) => isUsed(setting)).map(([setting, lines]) => `.cut-${setting}{${lines}}`)
  return [...plain, ...ALTERATIONS.heading.filter((value) => isUsed(`heading-${value}`)).map((value) => headingCss(site, value))].join('\n')
}

function headingCss(site: Site, value: (typeof ALTERATIONS.heading)[number]): string {
  const { phone, desktop } = scaleStep(site)
  const by = (step: number): string => String(Math.round((value === 'larger' ? step : 1 / step) * 1000) / 1000)
  const rule = (step: number): string => `.cut-heading-${value}{--cut-heading:${by(step)}}`
  return `${rule(phone)}@media (min-width:46rem){${rule(desktop)}}`
}

/** Of scales that climb steeply a heading takes no whole step: it would stand in its column no more. On the phone and on desktop. */
const LARGEST_STEP = { phone: 1.15, desktop: 1.25 }

/** How much larger a step of the site's own scale is than the one below: the mean from text to largest heading. */
function scaleStep(site: Site): { readonly phone: number; readonly desktop: number } {
  const { steps } = templateOf(site).type
  const { scale } = site.document.brand
  const at = (width: 'phone' | 'desktop', step: (typeof STEPS)[number]): number =>
    scale ? stepSize(scale[width], step) : steps[step][width]
  const mean = (width: 'phone' | 'desktop'): number => Math.min(LARGEST_STEP[width], (at(width, 5) / at(width, 0)) ** (1 / 5))
  return { phone: mean('phone'), desktop: mean('desktop') }
}
