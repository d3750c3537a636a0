import * as v from 'valibot'
import type { Hold } from '../site'
import { leastRoom, linesIn } from './lines'
import { piecesOf, type Piece, type Ruler } from './pieces'

/** The longest line that a hold makes, in em: some 80 letters. */
const LONGEST = 40
/** To how many lines texts are compared that are to be alike. */
const MOST_ALIKE = 6

const lengthSchema = v.pipe(v.number(), v.finite(), v.minValue(0), v.maxValue(1e6))
/**
 * How texts are held to their lines: in a room of `from` em and more, up to the step before, words are set no larger than so that a line
 * holds `within` em of them. Ems are of the size that the design sets them in. Steps go from wide rooms to narrow; the last is from 0.
 * `measure` is how long their lines may be, in em, where the design lets them be no longer than that; null where its own measure stands.
 * `letters` is the space between their letters, in em of the size that they are set in: inherited, it would stay that of the larger size.
 */
export const heldSchema = v.pipe(
  v.strictObject({
    measure: v.nullable(lengthSchema),
    letters: v.pipe(v.number(), v.finite(), v.minValue(-1), v.maxValue(1)),
    steps: v.pipe(
      v.array(v.pipe(v.strictObject({ from: lengthSchema, within: lengthSchema }), v.readonly())),
      v.minLength(1),
      v.maxLength(MOST_ALIKE),
      v.readonly(),
    ),
  }),
  v.readonly(),
)
export type Held = v.InferOutput<typeof heldSchema>

/** Words are never set smaller than this share of the size that they were designed for, nor under 16 px. */
export const LEAST_SHARE = 0.7
export const LEAST_PX = 16
/** Visitors' systems round the advance of letters, some to whole pixels; so a line is reckoned a little longer than its letters say. */
const SPARE = 1.012

/**
 * How texts are set in a design, in em: the space between their letters, the longest line that it lets them have (null where any), and how
 * far a list sets its entries in.
 */
export type TextSetting = { readonly letters: number; readonly limit: number | null; readonly insets: Readonly<Record<ListMark, number>> }
const PLAIN: TextSetting = { letters: 0, limit: null, insets: { ul: 0, ol: 0 } }

export type ListMark = 'ul' | 'ol'

/** A text whose lines are counted: its words, and for each of its paragraphs in which lists it stands, the outermost first. */
export type CountedText = { readonly words: string; readonly lists: readonly (readonly ListMark[])[] }

/** A text taken apart as it is set in a design, and measured. */
export function piecesIn({ words, lists }: CountedText, ruler: Ruler, { insets }: TextSetting): readonly Piece[] {
  return piecesOf(
    words,
    ruler,
    lists.map((marks) => marks.reduce((sum, mark) => sum + insets[mark], 0)),
  )
}

/** How some texts are held that are set in one size: each within a number of lines, or none in more than the one with the fewest. */
export function heldBy(hold: Hold, texts: readonly (readonly Piece[])[], { letters, limit }: TextSetting = PLAIN): Held {
  const room = (most: number, pick: (...lengths: number[]) => number): number => pick(...texts.map((text) => leastRoom(text, most)))
  if (hold !== 'alike') {
    const within = spared(room(hold, Math.max))
    // First a line may be longer than designed, if that is what keeps it from fitting; what is still too long is set smaller.
    return { measure: limit !== null && within > limit ? Math.min(within, LONGEST) : null, letters, steps: [{ from: 0, within }] }
  }
  const steps = Array.from({ length: MOST_ALIKE }, (_, i) => ({
    from: rounded(room(i + 1, Math.min)),
    within: spared(room(i + 1, Math.max)),
  }))
  const needed = steps.filter(({ from }, i) => i === 0 || from < (steps[i - 1]?.from ?? 0))
  return { measure: null, letters, steps: needed.map((step, i) => (i === needed.length - 1 ? { ...step, from: 0 } : step)) }
}

function spared(length: number): number {
  return Math.ceil(length * SPARE * 1000) / 1000
}

function rounded(length: number): number {
  return Math.round(length * 1000) / 1000
}

/**
 * What holds, as the custom properties of a size container for its child: the size of its words, and the space between its letters. An em
 * is the size of the container's own words, `cqi` a hundredth of its room (CSS Values 4, 10; CSS Containment 3, 3).
 */
export function heldStyle({ measure, letters, steps }: Held): string {
  const least = `min(1em,max(${LEAST_SHARE}em,${LEAST_PX / 16}rem))`
  const sizes = steps.map(({ from, within }, i) => {
    const size = `100cqi/${within}`
    const above = steps[i - 1]?.from
    const limits = [
      ...(from > 0 ? [`(100cqi - ${from}em)*9999 + 1px`] : []),
      ...(above === undefined ? [] : [`(${above}em - 100cqi)*9999`]),
    ]
    return limits.length === 0 ? size : `min(${[size, ...limits].join(',')})`
  })
  const size = `clamp(${least},${sizes.length === 1 ? sizes[0] : `max(${sizes.join(',')})`},1em)`
  const further = [...(letters === 0 ? [] : [`--letters:${letters}em`]), ...(measure === null ? [] : [`max-inline-size:${measure}em`])]
  return [`--held:${size}`, ...further].join(';')
}

/**
 * The room that a text has in a window of `width` px, in em of its designed size there, which is `size` px: as designed, and where its
 * lines may be as long as its column lets them.
 */
export type Room = { readonly width: number; readonly room: number; readonly column: number; readonly size: number }

/** What comes of holding a text in a room: the share of its designed size, and its lines. */
export function heldIn(held: Held | null, pieces: readonly Piece[], at: Room): { readonly share: number; readonly lines: number } {
  if (!held) return { share: 1, lines: linesIn(pieces, at.room) }
  const room = roomOf(held, at)
  const step = held.steps.find(({ from }) => room >= from)
  const least = Math.min(1, Math.max(LEAST_SHARE, LEAST_PX / at.size))
  const share = step ? Math.min(1, Math.max(least, room / step.within)) : 1
  return { share, lines: linesIn(pieces, room / share) }
}

/** The room of a text that is held, in em of its designed size. */
function roomOf({ measure }: Held, { room, column }: Room): number {
  return measure === null ? room : Math.max(room, Math.min(column, measure))
}

/** The room in which its words are set, in em of the size that they are set in. */
export function roomHeld(held: Held | null, pieces: readonly Piece[], at: Room): number {
  return held ? roomOf(held, at) / heldIn(held, pieces, at).share : at.room
}
