'use client'
import { useMemo } from 'react'
import { sheetStyles, renderShapeBoard, styleText } from '@/core/render'
import { siteLanguage } from '@/core/site'
import { useSite } from '../job/use-site'

/** Buttons, fields, a panel and a picture in the site's own style: what forms will look like, before there is one. */
export function ShapeBoard() {
  const site = useSite()
  const html = useMemo(() => {
    const { fonts, tokens, designs } = sheetStyles(site)
    return (
      `<!doctype html><html lang="${siteLanguage(site.document)}"><head><meta charset="utf-8"><title>Board</title>` +
      `<style>${styleText(fonts)}</style><style>${styleText(tokens)}</style><style>${styleText(designs)}</style><style>.tone-paper,` +
      '.tone-ink{background:var(--surface)}body{zoom:.8}form,div{display:flex;flex-wrap:wrap;gap:1rem;' +
      'align-items:center;padding:1rem 1.25rem}.panel{padding:1rem;background:var(--plane);border-radius:var(--corner);' +
      'box-shadow:var(--shadow,none)}hr{flex:1 1 8rem;border:0;border-block-start:max(1px,var(--line)) solid ' +
      `var(--rule)}</style></head><body class="tone-paper">${renderShapeBoard(site)}</body></html>`
    )
  }, [site])
  return (
    <iframe
      title="Buttons, fields and panels in this shape"
      className="h-36 w-full border border-ink"
      sandbox="allow-same-origin"
      srcDoc={html}
    />
  )
}
