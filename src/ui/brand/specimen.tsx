'use client'
import { useMemo } from 'react'
import { findSpecimen } from '@/core/brand'
import { siteScheme } from '@/core/fill'
import { siteMeasure, styleFamily, textStylesOf } from '@/core/render'
import { TEXT_STYLES, type Page, type TextStyleName } from '@/core/site'
import { lettersInLine, MEASURE } from '@/core/type'
import { letterLook } from './letter-look'
import { STYLE_WORDS } from './style-words'
import { useSite } from '../job/use-site'

/** What the phone's sheet leaves for text between its margins, in px. */
const PHONE_COLUMN = 350

/** Every text style on words of the client's own; the one pressed is edited beside it. */
export function SpecimenTable({ page, style, onStyle }: { page: Page; style: TextStyleName; onStyle: (style: TextStyleName) => void }) {
  const site = useSite()
  const words = useMemo(() => findSpecimen(site, page), [site, page])
  const styles = textStylesOf(site)
  const paper = siteScheme(site).paper
  return (
    <table className="w-full border-collapse text-sm">
      <caption className="pb-1 text-start text-sm font-bold">
        Specimen <span className="font-normal text-soft">— the site’s own words; press one to edit its style</span>
      </caption>
      <thead className="sr-only">
        <tr>
          <th scope="col">Style</th>
          <th scope="col">Words</th>
          <th scope="col">Sizes</th>
        </tr>
      </thead>
      <tbody>
        {TEXT_STYLES.map((name) => {
          const s = styles[name]
          const family = styleFamily(site, s.family)
          const [onDesktop, onPhone] = [lettersInLine(family, s.desktop, siteMeasure(site)), lettersInLine(family, s.phone, PHONE_COLUMN)]
          return (
            <tr key={name} className={`border-b border-seam ${name === style ? 'bg-tape' : ''}`}>
              <th scope="row" className="w-24 p-0 text-start font-semibold">
                <button
                  type="button"
                  aria-pressed={name === style}
                  className="w-full px-2 py-1 text-start hover:underline"
                  onClick={() => onStyle(name)}
                >
                  {STYLE_WORDS[name]}
                </button>
              </th>
              <td className="max-w-0 p-0" style={{ background: paper.surface, color: paper.text }}>
                <button
                  type="button"
                  tabIndex={-1}
                  aria-hidden
                  className="block w-full truncate px-2 py-0.5 text-start"
                  onClick={() => onStyle(name)}
                  style={{ ...letterLook(site, s), fontSize: `${Math.min(44, s.desktop)}px`, lineHeight: Math.max(1.15, s.line) }}
                >
                  {words[name] || 'no words in this style yet'}
                </button>
              </td>
              <td className="w-64 px-2 font-mono text-xs">
                {s.phone} → {s.desktop} px
                {name === 'body' && (
                  <span className="block">
                    {onPhone} → {onDesktop} letters a line
                    {onDesktop < MEASURE.least || onDesktop > MEASURE.most || onPhone < MEASURE.leastOnPhone
                      ? `; ${MEASURE.least} to ${MEASURE.most} read best`
                      : ', reads well'}
                  </span>
                )}
              </td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
