/**
 * What a font file's own permission (OS/2 table, fsType) says of putting it on a website. OpenType 1.9.1, “OS/2”, fsType:
 * bits 0–3 are the usage permission, of several set bits the least restrictive counts (versions 0–2); bit 8 forbids
 * subsetting, bit 9 allows bitmaps only.
 */
export type Embedding = { readonly allowed: boolean; readonly whole: boolean; readonly words: string }

const RESTRICTED = 0x0002
const PREVIEW = 0x0004
const EDITABLE = 0x0008
const NO_SUBSETTING = 0x0100
const BITMAP_ONLY = 0x0200

export function readEmbedding(fsType: number): Embedding {
  const whole = (fsType & NO_SUBSETTING) !== 0
  const refuse = (words: string): Embedding => ({ allowed: false, whole, words })
  const allow = (words: string): Embedding => ({
    allowed: true,
    whole,
    words: whole ? `${words} It forbids taking letters out, so it is published whole.` : words,
  })
  if ((fsType & BITMAP_ONLY) !== 0) return refuse('Its permission allows bitmaps only, no outlines: it cannot be put on a website.')
  if ((fsType & EDITABLE) !== 0) return allow('Its permission allows embedding.')
  if ((fsType & PREVIEW) !== 0)
    return allow('Its permission allows embedding for viewing and printing; a website is viewed, so it may be used.')
  if ((fsType & RESTRICTED) !== 0)
    return refuse(
      'Its permission forbids embedding without leave of its owner. Ask the client for the web licence and the file that comes with it.',
    )
  return allow('Its permission allows embedding without limits.')
}
