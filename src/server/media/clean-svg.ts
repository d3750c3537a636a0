import { createRequire } from 'node:module'
import * as csstree from 'css-tree'
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
  const kept = DOMPurify.sanitize(source, { USE_PROFILES: { svg: true, svgFilters: true }, ADD_TAGS: ['use'], RETURN_DOM_FRAGMENT: true })
  if (DOMPurify.removed.some(isActive)) return { ok: false, fault: 'it holds a script' }
  const root = kept.firstElementChild
  const elements = root ? [root, ...root.querySelectorAll('*')] : []
  if (elements.some(fetches)) return { ok: false, fault: 'it draws on a file from another place' }
  if (root?.nodeName.toLowerCase() !== 'svg' || !elements.some((element) => DRAWN.has(element.nodeName.toLowerCase())))
    return { ok: false, fault: 'there is no drawing in it' }
  const pure = root.outerHTML
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

const DRAWN = new Set(['path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon', 'text', 'image', 'use'])

/** What was taken out because it would run: an element, a handler, or an address that is a script. */
function isActive(removed: { element?: Node; attribute?: Attr | null }): boolean {
  const name = removed.element?.nodeName.toLowerCase() ?? removed.attribute?.name.toLowerCase() ?? ''
  const isScript = /^\s*(java|vb)script\s*:/i.test(removed.attribute?.value ?? '')
  return ['script', 'foreignobject', 'iframe'].includes(name) || /^on[a-z]/.test(name) || isScript
}

/** Whether an element draws on anything that is not in the drawing itself: by an address, by its style, or by a style sheet. */
function fetches(element: Element): boolean {
  const isStyle = element.nodeName.toLowerCase() === 'style'
  return (
    (isStyle && cssFetches(element.textContent ?? '', 'stylesheet')) ||
    [...element.attributes].some(({ localName, value }) =>
      localName === 'href' || localName === 'src'
        ? !isOwn(value)
        : value.includes('(') && cssFetches(value, localName === 'style' ? 'declarationList' : 'value'),
    )
  )
}

/** Decided on the parsed CSS; what cannot be parsed may do anything, so it counts as if it did. */
function cssFetches(css: string, context: 'stylesheet' | 'declarationList' | 'value'): boolean {
  let found = false
  const ast = csstree.parse(css, { context, parseCustomProperty: true, onParseError: () => (found = true) })
  csstree.walk(ast, (node) => {
    if (node.type === 'Atrule' && ['import', 'font-face', 'namespace'].includes(node.name.toLowerCase())) found = true
    if (node.type === 'Url' && !isOwn(node.value)) found = true
    if (node.type === 'Function' && /^(-webkit-)?(image-set|src|image|cross-fade)$/i.test(node.name)) found = true
  })
  return found
}

/** An address inside the drawing: a part of it, or a picture that is written out in it. */
function isOwn(address: string): boolean {
  return /^\s*(#|data:image\/(png|jpe?g|gif|webp|avif)[;,])/i.test(address)
}
