import { createRequire } from 'node:module'
import * as csstree from 'css-tree'
import { optimize } from 'svgo'
import { viewBox } from './pixels'
import { MOST_SVG_BYTES, tooMuch } from './svg-limits'

export type CleanSvg =
  | { readonly ok: true; readonly svg: string; readonly width: number; readonly height: number }
  | { readonly ok: false; readonly fault: string }

/**
 * An SVG with nothing in it that runs or fetches, made small. A drawing that held a script, a handler or an outside
 * address is not mended but refused: it may not be what the client meant to send.
 */
export function cleanSvg(source: string): CleanSvg {
  if (source.length > MOST_SVG_BYTES) return { ok: false, fault: `it is larger than ${MOST_SVG_BYTES / 1024 / 1024} MB` }
  const much = tooMuch(source)
  if (much !== null) return { ok: false, fault: much }
  if (/<!ENTITY/i.test(source)) return { ok: false, fault: 'it declares entities' }
  const DOMPurify = purifier()
  const kept = DOMPurify.sanitize(source, { USE_PROFILES: { svg: true, svgFilters: true }, ADD_TAGS: ['use'], RETURN_DOM_FRAGMENT: true })
  if (DOMPurify.removed.some(isActive)) return { ok: false, fault: 'it holds a script' }
  // Where nothing is left there may be no fragment either, whatever the types say.
  const root = (kept as DocumentFragment | null)?.firstElementChild
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
  const box = viewBox(svg)
  if (!box) return { ok: false, fault: 'it has no size' }
  return { ok: true, svg, width: Math.ceil(box.width), height: Math.ceil(box.height) }
}

/** The same for a file of a pack. */
export function cleanDrawing(_: string, { source }: { readonly source: string }): CleanSvg {
  return cleanSvg(source)
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
  // Browsers pass over white space and control characters in a scheme (WHATWG URL, “basic URL parser”, 1 to 3).
  // oxlint-disable-next-line no-control-regex
  const isScript = /^(java|vb)script:/i.test((removed.attribute?.value ?? '').replaceAll(/[\u0000-\u0020]/g, ''))
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

/** Functions that only reckon or name a colour; every other may fetch, whatever its name is written with. */
const RECKON = new Set(
  (
    'rgb rgba hsl hsla hwb lab lch oklab oklch color color-mix calc min max clamp var matrix matrix3d translate translatex translatey ' +
    'translate3d scale scalex scaley rotate skew skewx skewy perspective cubic-bezier steps linear-gradient radial-gradient polygon ' +
    'circle ellipse inset path blur brightness contrast drop-shadow grayscale hue-rotate invert opacity saturate sepia'
  ).split(' '),
)
/** What a drawing's own style sheet may say beside rules. */
const AT_RULES = new Set(['media', 'supports', 'keyframes', 'layer'])

/** Decided on the parsed CSS; what cannot be parsed may do anything, so it counts as if it did. */
function cssFetches(css: string, context: 'stylesheet' | 'declarationList' | 'value'): boolean {
  let found = false
  const ast = csstree.parse(css, { context, parseCustomProperty: true, onParseError: () => (found = true) })
  csstree.walk(ast, (node) => {
    if (node.type === 'Raw') found = true
    if (node.type === 'Atrule' && !AT_RULES.has(csstree.ident.decode(node.name).toLowerCase())) found = true
    if (node.type === 'Url' && !isOwn(node.value)) found = true
    if (node.type === 'Function' && !RECKON.has(csstree.ident.decode(node.name).toLowerCase())) found = true
  })
  return found
}

/** An address inside the drawing: a part of it, or a picture that is written out in it. */
function isOwn(address: string): boolean {
  return /^\s*(#|data:image\/(png|jpe?g|gif|webp|avif)[;,])/i.test(address)
}
