/** How wide some words are in px, set in a size. */
export type Measure = (words: string, sizePx: number) => number

/** Room that words are given by somebody else: how large they are set, how many lines they have, and how wide those are. */
export type Room = { readonly sizePx: number; readonly widthPx: number; readonly lines: number }

/**
 * What lists of results and shared cards show of a page, as wide as they have been seen to be. Common practice, no source: each service has
 * its own, and changes it.
 */
export const SEARCH_PREVIEW = {
  desktop: { title: { sizePx: 20, widthPx: 580, lines: 1 }, description: { sizePx: 14, widthPx: 580, lines: 2 } },
  phone: { title: { sizePx: 18, widthPx: 330, lines: 2 }, description: { sizePx: 14, widthPx: 330, lines: 3 } },
  card: { title: { sizePx: 16, widthPx: 468, lines: 2 }, description: { sizePx: 14, widthPx: 468, lines: 2 } },
} as const satisfies Readonly<Record<string, Readonly<Record<'title' | 'description', Room>>>>

/** What is seen of words in a room, all or what fits before an ellipsis; `share`: how much of the room they take, over 1 where cut. */
export type PreviewText = { readonly words: string; readonly isCut: boolean; readonly share: number }

/** Words as a room shows them, cut after a whole word; one that is wider than the room is cut within. */
export function cutToRoom(text: string, room: Room, measure: Measure): PreviewText {
  const words = text.trim().replace(/\s+/g, ' ')
  const whole = lay(words, room, measure)
  const share = ((whole.lines - 1) * room.widthPx + whole.lastPx) / (room.lines * room.widthPx)
  if (whole.lines <= room.lines) return { words, isCut: false, share: Math.max(0, share) }
  const letters = [...words]
  const cut = (end: number): string => `${letters.slice(0, end).join('').trimEnd()} …`
  let [least, most] = [0, letters.length]
  while (least < most) {
    const middle = Math.ceil((least + most) / 2)
    if (lay(cut(middle), room, measure).lines <= room.lines) least = middle
    else most = middle - 1
  }
  const lastSpace = letters[least] === ' ' ? least : letters.lastIndexOf(' ', least)
  return { words: cut(lastSpace > 0 ? lastSpace : least), isCut: true, share }
}

/** How many lines words take where each line holds as many as fit, and how wide the last one is, in px. */
function lay(words: string, { sizePx, widthPx }: Room, measure: Measure): { readonly lines: number; readonly lastPx: number } {
  const fits = (part: string): boolean => measure(part, sizePx) <= widthPx
  let [lines, line] = [1, '']
  for (const word of words.split(' ')) {
    const longer = line === '' ? word : `${line} ${word}`
    if (fits(longer)) line = longer
    else {
      const parts = fits(word) ? [word] : partsOf(word, fits)
      lines += parts.length - (line === '' ? 1 : 0)
      line = parts.at(-1) ?? ''
    }
  }
  return { lines, lastPx: measure(line, sizePx) }
}

/** A word that is wider than a line, in parts that each fit one. */
function partsOf(word: string, fits: (part: string) => boolean): readonly string[] {
  const parts: string[] = []
  for (const letter of word) {
    const longer = `${parts.at(-1) ?? ''}${letter}`
    if (parts.length > 0 && fits(longer)) parts[parts.length - 1] = longer
    else parts.push(letter)
  }
  return parts
}
