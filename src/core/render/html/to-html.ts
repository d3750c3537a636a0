import { memoOf } from '../../memo'
import { own } from '../../own'
import { pictureVariants, type AssetInfo } from '../../image'
import type { DesignElement } from '../../pack'
import { placeKey } from '../../site'
import { type FilledElement, type FilledNode, type FilledPicture, type FilledSection, type Gap, type Mark } from '../../fill'
import { PAGE_USES, pictureUrl, type PageUse, type PageWriter } from '../page-writer'
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
  if (isSheet) return elementHtml(writer, root, attribute('data-section', id))
  if (until === undefined) return elementHtml(writer, root, '')
  writer.uses.add('data-until')
  return elementHtml(writer, root, attribute('data-until', until))
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
    else html += node.type === 'still' ? noted(writer, stillHtml(node.element)) : elementHtml(writer, node, '')
  }
  return html
}

function elementHtml(writer: PageWriter, element: FilledElement, first: string): string {
  if (element.picture) return pictureHtml(writer, element, element.picture)
  if (element.logo) return logoHtml(writer, element, element.logo)
  const extra = element.extra ? noted(writer, attributesHtml(element.extra)) : ''
  return tag(writer, element, extra + first + markHtml(writer, element.mark), nodesHtml(writer, element.children))
}

function tag(writer: PageWriter, { tag: name, base }: FilledElement, attributes: string, inner: string): string {
  const open = `<${name}${noted(writer, baseHtml(base))}${attributes}>`
  return VOID_TAGS.has(name) ? open : `${open}${inner}</${name}>`
}

/** HTML that is written once and stands on many pages, with what a page that it stands on uses by it. */
type Written = { readonly html: string; readonly uses: readonly PageUse[] }
const NOTHING: Written = { html: '', uses: [] }

function noted(writer: PageWriter, { html, uses }: Written): string {
  for (const use of uses) writer.uses.add(use)
  return html
}

function attributesHtml(attributes: Readonly<Record<string, string>>): Written {
  let html = ''
  for (const name of Object.keys(attributes)) html += attribute(name, own(attributes, name) ?? '')
  return html === '' ? NOTHING : { html, uses: PAGE_USES.filter((name) => Object.hasOwn(attributes, name)) }
}

/** Attributes of designs are the same objects on every page. */
const baseHtml = memoOf(attributesHtml)

/** A part of a design without a place in it is written once. */
const stillHtml: (element: DesignElement) => Written = memoOf(({ tag, attrs, children }) => {
  const inner = children.map((child) => (typeof child === 'string' ? { html: escapeText(child), uses: [] } : stillHtml(child)))
  const { html, uses } = baseHtml(attrs)
  const open = `<${tag}${html}>`
  return {
    html: VOID_TAGS.has(tag) ? open : `${open}${inner.map((one) => one.html).join('')}</${tag}>`,
    uses: [...uses, ...inner.flatMap((one) => one.uses)],
  }
})

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
  const size = `${attribute('alt', alt)} width="${largest.width}" height="${largest.height}"${noted(writer, attributesHtml(more))}`
  if (writer.site.mode === 'sheet') {
    const near = sources.find((s) => s.width >= 960) ?? largest
    return tag(
      writer,
      element,
      attribute('src', pictureUrl(writer, asset, near)) + size + unfetched(writer) + markHtml(writer, element.mark),
      '',
    )
  }
  const loading = isFirst ? ' fetchpriority="high"' : ' loading="lazy" decoding="async"'
  const srcset = sources.map((s) => `${pictureUrl(writer, asset, s)} ${s.width}w`).join(', ')
  const choice = srcset === '' ? '' : attribute('srcset', srcset) + attribute('sizes', sizes ?? '100vw')
  return tag(writer, element, attribute('src', pictureUrl(writer, asset, fallback)) + choice + size + loading, '')
}

/** Where a page is only measured, nobody comes near its pictures. */
function unfetched({ site }: PageWriter): string {
  return site.isMeasured ? ' loading="lazy"' : ''
}

function logoHtml(writer: PageWriter, element: FilledElement, { asset, onDark }: { asset: AssetInfo; onDark: AssetInfo | null }): string {
  const alt = attribute('alt', element.extra?.alt ?? '')
  const size = logoSize(writer.site.document, asset)
  if (size.includes(' style=')) writer.uses.add('style')
  const img = `<img class="logo"${attribute('src', logoSource(writer, asset))}${alt}${size}${unfetched(writer)}>`
  // A sheet shows one form at a time, whatever the designer's own system asks for.
  if (!onDark || writer.site.mode === 'sheet') return img
  return `<picture><source media="(prefers-color-scheme: dark)"${attribute('srcset', logoSource(writer, onDark))}>${img}</picture>`
}
