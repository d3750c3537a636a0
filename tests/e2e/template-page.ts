import { makeDocument, pageTexts, type Site } from '../../src/core/fill'
import { getTemplate } from '../../src/core/pack'
import { designCss, renderBody, tokenCss } from '../../src/core/render'
import { findPage, type Brand, type Dark } from '../../src/core/site'
import { testAssets, testPack } from '../pack'

export const TEMPLATES = ['tallow', 'limewash', 'windrow', 'gantry', 'blank'] as const
/** A picture for every frame: flat, so that what is seen is the design. */
export const PIXEL = Buffer.from(
  '<svg xmlns="http://www.w3.org/2000/svg" width="1440" height="960"><rect width="1440" height="960" fill="#b9a58a"/></svg>',
)

/** A site on a template in a brand, as it would be published. */
export function siteOn(template: string, brand: Brand, name: string, dark: Dark = false): Site {
  const document = makeDocument(getTemplate(testPack(), template), { name, socials: ['https://example.social/client'] }, brand)
  return {
    document: dark === false ? document : { ...document, dress: { ...document.dress, dark } },
    pack: testPack(),
    assets: testAssets(),
    mode: 'release',
  }
}

/** One of its pages, whole, with its styles in it; `tokens` can be replaced by those of another brand. */
export function pageHtml(site: Site, id: string): string {
  const page = findPage(site.document, id)
  if (!page) throw new Error(`No page ${id}`)
  return (
    '<!doctype html><html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" ' +
    `content="width=device-width"><title>${pageTexts(site.pack, site.document, page).name}</title><style ` +
    `id="tokens">${tokenCss(site)}</style><style>${designCss(site)}</style></head>` +
    `<body>${renderBody(site, page)}</body></html>`
  )
}
