import { own } from '../../own'
import { pictureVariants, type AssetInfo } from '../../image'
import type { DesignElement } from '../../pack'
import { placeKey } from '../../site'
import { NONE, type FilledElement, type FilledNode, type FilledPicture, type FilledSection, type Gap, type Mark } from '../../fill'
import { pictureUrl, type PageWriter } from '../page-writer'
import { logoSize, logoSource } from '../logo-size'
import { attribute, escapeText } from './escape'

const VOID_TAGS = new Set(['img', 'br', 'hr', 'input'])

/**
 * A filled section as HTML. Words and attributes are escaped here, at the last moment; tag names are literals of the
 * designs. What is not drawn is nothing in a release, and on a sheet a gap or a seam that says so.
 */
export function sectionHtml(writer: PageWriter, section: FilledSection): string {
  const isSheet = writer.site.mode === 'sheet'
  if (section.root === null) return isSheet ? gapHtml(section.id, section.gap) : ''
  const { id, root, until } = section
  return elementHtml(writer, root, isSheet ? attribute('data-section', id) : until === undefined ? '' : attribute('data-until', until))
}

export function gapHtml(id: string, { type, name }: Gap): string {
  const words = {
    noDesign: `This section cannot be drawn: there is no design ${name} here.`,
    fault: 'This section cannot be drawn.',
    empty: `${name}: nothing in it, not published`,
    hidden: `${name}: hidden, not published`,
    past: `${name}: its last day is over, not published`,
  }[type]
  const look = type === 'noDesign' || type === 'fault' ? 'undrawn' : 'seam'
  return `<section class="${look}"${attribute('data-section', id)}><p>${escapeText(words)}</p></section>`
}

function nodesHtml(writer: PageWriter, nodes: readonly FilledNode[]): string {
  let html = ''
  for (const node of nodes) {
    if (typeof node === 'string') html += escapeText(node)
    else html += node.type === 'still' ? stillHtml(node.element) : elementHtml(writer, node, '')
  }
  return html
}

function elementHtml(writer: PageWriter, element: FilledElement, first: string): string {
  if (element.picture) return pictureHtml(writer, element, element.picture)
  if (element.logo) return logoHtml(writer, element, element.logo)
  return tag(element, attributesHtml(element.extra ?? NONE) + first + markHtml(writer, element.mark), nodesHtml(writer, element.children))
}

function tag({ tag: name, base }: FilledElement, attributes: string, inner: string): string {
  const open = `<${name}${attributesHtml(base)}${attributes}>`
  return VOID_TAGS.has(name) ? open : `${open}${inner}</${name}>`
}

/** Attributes of designs are the same objects on every page. */
const written = new WeakMap<object, string>()

function attributesHtml(attributes: Readonly<Record<string, string>>): string {
  const known = written.get(attributes)
  if (known !== undefined) return known
  let html = ''
  for (const name in attributes) html += attribute(name, own(attributes, name) ?? '')
  written.set(attributes, html)
  return html
}

const still = new WeakMap<DesignElement, string>()

/** A part of a design without a place in it is written once. */
function stillHtml(element: DesignElement): string {
  let html = still.get(element)
  if (html === undefined) {
    const inner = element.children.map((child) => (typeof child === 'string' ? escapeText(child) : stillHtml(child))).join('')
    const open = `<${element.tag}${attributesHtml(element.attrs)}>`
    html = VOID_TAGS.has(element.tag) ? open : `${open}${inner}</${element.tag}>`
    still.set(element, html)
  }
  return html
}

/** On the sheets only: names the place for the editor, and says whether it is a leftover or a draft to be confirmed. */
function markHtml(writer: PageWriter, mark: Mark | null): string {
  if (mark === null || writer.site.mode === 'release') return ''
  const key = markKey(writer, mark)
  const state = mark.state === 'leftover' ? ' data-basted=""' : mark.state === 'draft' ? ' data-draft=""' : ''
  return attribute('data-place', key) + state + (mark.rich ? ' data-rich=""' : '')
}

function markKey(writer: PageWriter, { place, stands = place }: Pick<Mark, 'place' | 'stands'>): string {
  const key = placeKey(place)
  writer.places.set(key, { place, stands })
  return key
}

function pictureHtml(writer: PageWriter, element: FilledElement, { asset, ratio, focus, sizes }: FilledPicture): string {
  const { sources, fallback } = pictureVariants(asset, ratio, focus)
  const largest = sources.at(-1) ?? fallback
  const isFirst = writer.written++ === 0
  const { alt = '', ...more } = element.extra ?? {}
  const size = `${attribute('alt', alt)} width="${largest.width}" height="${largest.height}"${attributesHtml(more)}`
  if (writer.site.mode === 'sheet') {
    const near = sources.find((s) => s.width >= 960) ?? largest
    return tag(element, attribute('src', pictureUrl(writer, asset, near)) + size + markHtml(writer, element.mark), '')
  }
  const loading = isFirst ? ' fetchpriority="high"' : ' loading="lazy" decoding="async"'
  const srcset = sources.map((s) => `${pictureUrl(writer, asset, s)} ${s.width}w`).join(', ')
  const choice = srcset === '' ? '' : attribute('srcset', srcset) + attribute('sizes', sizes ?? '100vw')
  return tag(element, attribute('src', pictureUrl(writer, asset, fallback)) + choice + size + loading, '')
}

function logoHtml(writer: PageWriter, element: FilledElement, { asset, onDark }: { asset: AssetInfo; onDark: AssetInfo | null }): string {
  const alt = attribute('alt', element.extra?.alt ?? '')
  const img = `<img class="logo"${attribute('src', logoSource(writer, asset))}${alt}${logoSize(writer.site.document, asset)}>`
  // A sheet shows one form at a time, whatever the designer's own system asks for.
  if (!onDark || writer.site.mode === 'sheet') return img
  return `<picture><source media="(prefers-color-scheme: dark)"${attribute('srcset', logoSource(writer, onDark))}>${img}</picture>`
}
