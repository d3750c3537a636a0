import { formatHex, parse } from 'culori'

export type ParsedColour = { readonly ok: true; readonly hex: string } | { readonly ok: false; readonly fault: string }

/** A colour in any CSS notation, or hex digits without the #, as six-digit sRGB hex. */
export function parseColour(text: string): ParsedColour {
  const words = text.trim()
  const colour = parse(/^[0-9a-f]{3}$|^[0-9a-f]{6}$/i.test(words) ? `#${words}` : words)
  if (!colour) return { ok: false, fault: `“${words.slice(0, 40)}” is not a colour. Write it like #7a2e1d, rgb(122 46 29) or teal.` }
  if (colour.alpha !== undefined && colour.alpha < 1) return { ok: false, fault: 'A brand colour must be opaque; this one is see-through.' }
  return { ok: true, hex: formatHex(colour) }
}
