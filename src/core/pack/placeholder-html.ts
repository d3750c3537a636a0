import type { DefaultTreeAdapterTypes as P5 } from 'parse5'
import { nodesOfParsed, richFromNodes } from '../rich'
import type { SlotType, SlotValue } from '../site'
import { parseLinkTarget } from './link-target'

/** The placeholder value that a bound element holds, or a sentence saying why it holds none. */
export function readPlaceholder(type: SlotType, from: P5.Element): SlotValue | string {
  const attribute = (name: string): string => from.attrs.find((a) => a.name === name)?.value ?? ''
  switch (type) {
    case 'text':
      return { type: 'text', text: textOf(from) }
    case 'rich':
      return { type: 'rich', rich: richFromNodes(nodesOfParsed(from.childNodes), parseLinkTarget) }
    case 'image':
      return from.tagName === 'img' ? readImage(attribute('src'), attribute('alt')) : 'A picture slot belongs on an <img>.'
    case 'link': {
      const to = parseLinkTarget(attribute('href'))
      if (from.tagName !== 'a' || !to) return 'A link slot belongs on an <a> whose href is page:…, fact:… or an https address.'
      return { type: 'link', label: textOf(from), to }
    }
    default:
      return type satisfies never
  }
}

function readImage(src: string, alt: string): SlotValue | string {
  const media = /^(?:\.\.\/)+([a-z0-9-]+)\/media\/([a-z0-9-]+\.(?:jpg|png|webp|svg))$/.exec(src)
  if (!media) return `The picture “${src}” must lie in a template's media folder, such as ../../tallow/media/bench.jpg.`
  return { type: 'image', asset: `${media[1]}/${media[2]}`, alt }
}

function textOf(node: P5.ChildNode): string {
  return rawText(node).replace(/\s+/g, ' ').trim()
}

function rawText(node: P5.ChildNode): string {
  if ('value' in node) return node.value
  return 'childNodes' in node ? node.childNodes.map(rawText).join('') : ''
}
