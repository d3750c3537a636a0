import { formatHex, parse } from 'culori'
import { layOver } from './veil'

export type ParsedColour = { readonly ok: true; readonly hex: string } | { readonly ok: false; readonly fault: string }

/** A colour in any CSS notation, or hex digits without the # (two of them make a grey: FA is #fafafa), as six-digit sRGB hex. */
export function parseColour(text: string): ParsedColour {
  const words = text.trim()
  const digits = words.replace(/^#/, '')
  const colour = parse(
    /^[0-9a-f]{2}$/i.test(digits) ? `#${digits.repeat(3)}` : /^[0-9a-f]{3}$|^[0-9a-f]{6}$/i.test(words) ? `#${words}` : words,
  )
  if (!colour) return { ok: false, fault: `“${words.slice(0, 40)}” is not a colour. Write it like #7a2e1d, rgb(122 46 29) or teal.` }
  if (colour.alpha !== undefined && colour.alpha < 1) return { ok: false, fault: seeThrough(formatHex(colour), colour.alpha) }
  return { ok: true, hex: formatHex(colour) }
}

/** A see-through colour is no colour until one knows what lies under it; on white it looks like an opaque one that can be offered. */
function seeThrough(hex: string, alpha: number): string {
  if (alpha === 0) return 'This colour is wholly transparent: nothing of it can be seen. Write one that is opaque.'
  return (
    `This colour is see-through (${Math.round(alpha * 100)} %), and a brand colour must be opaque. On white it looks ` +
    `like ${layOver(hex, '#ffffff', alpha)}: write that to have it.`
  )
}
