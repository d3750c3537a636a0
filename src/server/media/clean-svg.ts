import { createRequire } from 'node:module'
import { optimize } from 'svgo'

export type CleanSvg =
  | { readonly ok: true; readonly svg: string; readonly width: number; readonly height: number }
  | { readonly ok: false; readonly fault: string }

/**
 * An SVG with nothing in it that runs or fetches, made small. A drawing that held a script, a handler or an outside
 * address is not mended but refused: it may not be what the client meant to send.
 */
export function cleanSvg(source: string): CleanSvg {
  const DOMPurify = purifier()
  if (/<!ENTITY/i.test(source)) return { ok: false, fault: 'it declares entities' }
  const pure = DOMPurify.sanitize(source, { USE_PROFILES: { svg: true, svgFilters: true } })
  if (DOMPurify.removed.some(isActive) || /<script|\son\w+\s*=|javascript:/i.test(source)) return { ok: false, fault: 'it holds a script' }
  if (/(?:href|src)\s*=\s*["']\s*(?:https?:)?\/\//i.test(pure) || /url\(\s*["']?\s*(?:https?:)?\/\//i.test(pure))
    return { ok: false, fault: 'it draws on a file from another place' }
  if (!/^\s*<svg[\s>]/.test(pure) || !/<(?:path|rect|circle|ellipse|line|polyline|polygon|text|image|use)[\s>/]/.test(pure))
    return { ok: false, fault: 'there is no drawing in it' }
  let svg: string
  try {
    svg = optimize(/^\s*<svg[^>]*\sxmlns=/.test(pure) ? pure : pure.replace('<svg', '<svg xmlns="http://www.w3.org/2000/svg"'), {
      multipass: true,
      plugins: ['preset-default', 'removeDimensions'] as never,
    }).data
  } catch {
    return { ok: false, fault: 'it is not well-formed XML' }
  }
  const box = /viewBox="\s*[-\d.]+[\s,]+[-\d.]+[\s,]+([\d.]+)[\s,]+([\d.]+)/.exec(svg)
  const [width, height] = [Number(box?.[1]), Number(box?.[2])]
  if (!(width > 0 && height > 0)) return { ok: false, fault: 'it has no size' }
  return { ok: true, svg, width: Math.ceil(width), height: Math.ceil(height) }
}

type Purifier = typeof import('isomorphic-dompurify').default

/** Loaded at the first drawing, since it brings a whole DOM with it, and by plain require: the bundler's own loading of it fails. */
function purifier(): Purifier {
  const loaded = createRequire(`${process.cwd()}/package.json`)('isomorphic-dompurify') as Purifier & { default?: Purifier }
  return loaded.default ?? loaded
}

function isActive(removed: { element?: Node; attribute?: Attr | null }): boolean {
  const name = removed.element?.nodeName.toLowerCase() ?? removed.attribute?.name.toLowerCase() ?? ''
  return name === 'script' || name === 'foreignobject' || name === 'iframe' || name.startsWith('on')
}
