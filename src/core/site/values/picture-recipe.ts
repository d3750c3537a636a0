import * as v from 'valibot'

/** Shares of the original are whole ten-thousandths, so that a recipe is the same one however often it is written and read. */
export const WHOLE = 10_000
const share = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(WHOLE))
const length = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(WHOLE))

/** A part of the original, in ten-thousandths of its width and height, from its left and top. */
export const pictureCutSchema = v.pipe(
  v.strictObject({ left: share, top: share, width: length, height: length }),
  v.check(({ left, top, width, height }) => left + width <= WHOLE && top + height <= WHOLE, 'A cut lies inside the picture'),
  v.readonly(),
)
export type PictureCut = v.InferOutput<typeof pictureCutSchema>

/** How far an adjustment goes, each way from the original, which is 0. */
export const MOST_ADJUSTED = 100
const adjusted = v.pipe(v.number(), v.integer(), v.minValue(-MOST_ADJUSTED), v.maxValue(MOST_ADJUSTED), v.notValue(0))
/** Tenths of a degree, clockwise. */
const MOST_TILT = 150

/** Adjustments in the order in which they are made, each with its letter in a recipe's name. */
const ADJUSTMENTS = { exposure: 'e', contrast: 'k', warmth: 'w', strength: 's', sharpness: 'd', noise: 'n' } as const
export type Adjustment = keyof typeof ADJUSTMENTS
const ADJUSTMENT_NAMES = Object.keys(ADJUSTMENTS) as readonly Adjustment[]

/**
 * What is shown of a picture and how, as numbers that hold for every size of the original; the original itself is never touched. What is
 * absent is as the original has it. First it is cut, then turned and mirrored, then adjusted.
 */
export const pictureRecipeSchema = v.pipe(
  v.strictObject({
    cut: v.optional(pictureCutSchema),
    /** What the phone shows instead. */
    phone: v.optional(pictureCutSchema),
    /** Quarters of a turn, clockwise, in degrees. */
    turn: v.optional(v.picklist([90, 180, 270])),
    /** Set level, in tenths of a degree, clockwise. */
    tilt: v.optional(v.pipe(v.number(), v.integer(), v.minValue(-MOST_TILT), v.maxValue(MOST_TILT), v.notValue(0))),
    /** Mirrored, left to right. */
    flip: v.optional(v.literal(true)),
    exposure: v.optional(adjusted),
    contrast: v.optional(adjusted),
    warmth: v.optional(adjusted),
    strength: v.optional(adjusted),
    sharpness: v.optional(adjusted),
    noise: v.optional(adjusted),
    /** In greys, or in two of the brand's inks. */
    inks: v.optional(v.picklist(['grey', 'brand'])),
  }),
  v.readonly(),
)
export type PictureRecipe = v.InferOutput<typeof pictureRecipeSchema>

/**
 * A recipe as one word, for paths and addresses: the same recipe always has the same one, and no other has it. Empty for the original as
 * it is. `c1000.0.8000.10000_t90_f_e-12` is cut, turned, mirrored and a little darker.
 */
export function recipeName(recipe: PictureRecipe): string {
  const cut = (letter: string, of: PictureCut | undefined): string[] =>
    of ? [`${letter}${of.left}.${of.top}.${of.width}.${of.height}`] : []
  return [
    ...cut('c', recipe.cut),
    ...cut('p', recipe.phone),
    ...(recipe.turn ? [`t${recipe.turn}`] : []),
    ...(recipe.tilt ? [`l${recipe.tilt}`] : []),
    ...(recipe.flip ? ['f'] : []),
    ...ADJUSTMENT_NAMES.flatMap((name) => (recipe[name] ? [`${ADJUSTMENTS[name]}${recipe[name]}`] : [])),
    ...(recipe.inks ? [`i.${recipe.inks}`] : []),
  ].join('_')
}

/** The recipe of a name; null for a name that `recipeName` gives none. */
export function parseRecipe(name: string): PictureRecipe | null {
  const parts = new Map(name === '' ? [] : name.split('_').map((part) => [part.charAt(0), part.slice(1)]))
  const given = Object.entries(LETTERS).map(([part, letter]) => [part, readPart(part, parts.get(letter))])
  const read = v.safeParse(pictureRecipeSchema, Object.fromEntries(given.filter(([, part]) => part !== undefined)))
  return read.success && recipeName(read.output) === name ? read.output : null
}

/** The letter that each part begins with in a name. */
const LETTERS = { cut: 'c', phone: 'p', turn: 't', tilt: 'l', flip: 'f', ...ADJUSTMENTS, inks: 'i' }

function readPart(part: string, text: string | undefined): unknown {
  if (text === undefined) return undefined
  if (part === 'flip') return true
  if (part === 'inks') return text.slice(1)
  if (part !== 'cut' && part !== 'phone') return Number(text)
  const [left, top, width, height] = text.split('.').map(Number)
  return { left, top, width, height }
}
