import * as v from 'valibot'
import { TONES } from './tones'

/**
 * What a colour is for on a surface. `end` is what the surface runs to where grounds are gradients, else the surface itself; `button-edge`
 * is what a button is told from its surface by, and the button's own colour where that is told by itself; `stripe` is the mark's colour
 * where it is drawn and nothing is read of it: a bar beside a quote, a ruled margin.
 */
export const ROLES = [
  'surface',
  'end',
  'plane',
  'text',
  'muted',
  'heading',
  'link',
  'mark',
  'stripe',
  'button',
  'button-text',
  'button-edge',
  'rule',
  'focus',
] as const
export type Role = (typeof ROLES)[number]

/** Text styles of a site, as a designer sets them. */
export const TEXT_STYLES = ['h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'body', 'small', 'quote', 'button', 'menu'] as const
export type TextStyleName = (typeof TEXT_STYLES)[number]

const between = (least: number, most: number) => v.pipe(v.number(), v.minValue(least), v.maxValue(most))
const hex = v.pipe(v.string(), v.regex(/^#[0-9a-f]{6}$/))
const familyKey = v.pipe(v.string(), v.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/), v.maxLength(80))
const assetId = v.pipe(v.string(), v.maxLength(120))
const letterCase = v.picklist(['none', 'upper', 'small-caps'])

/** The least and the most a style's size may be, in px: body text stays readable. Common practice, no source: 16 px and up. */
export const SIZE_LIMITS: Readonly<Record<TextStyleName, readonly [least: number, most: number]>> = {
  h1: [20, 160],
  h2: [18, 120],
  h3: [16, 96],
  h4: [14, 72],
  h5: [14, 48],
  h6: [14, 40],
  body: [16, 24],
  small: [13, 20],
  quote: [16, 96],
  button: [14, 28],
  menu: [14, 40],
}
export const LIMITS = {
  line: [0.8, 2.2],
  spacing: [-0.08, 0.3],
  weight: [100, 1000],
  ratio: [1.05, 1.6],
  base: SIZE_LIMITS.body,
  logoSize: [0.4, 2.5],
  corner: [0, 48],
  rule: [0, 12],
  density: [0.5, 1.6],
  blur: [0, 60],
  offset: [0, 30],
} as const

/** The nearest value that is allowed. */
export function within(value: number, [least, most]: readonly [least: number, most: number]): number {
  return Math.min(most, Math.max(least, value))
}

const textStyleSchema = (name: TextStyleName) =>
  v.partial(
    v.strictObject({
      /** `display` or `text`, or the key of a family. */
      family: familyKey,
      weight: between(...LIMITS.weight),
      /** Sizes in px at 390 and at 1280 px; fluid between. */
      phone: between(...SIZE_LIMITS[name]),
      desktop: between(...SIZE_LIMITS[name]),
      line: between(...LIMITS.line),
      /** Space between letters, in em. */
      spacing: between(...LIMITS.spacing),
      case: letterCase,
    }),
  )
const scaleSchema = v.strictObject({ base: between(...LIMITS.base), ratio: between(...LIMITS.ratio) })

export const ownFontSchema = v.strictObject({
  family: familyKey,
  name: v.pipe(v.string(), v.maxLength(100)),
  /** Name of the kept file: its hash and type. */
  file: v.pipe(v.string(), v.regex(/^own-[0-9a-f]{20}\.(woff2|woff|ttf|otf)$/)),
  weight: v.pipe(v.string(), v.regex(/^\d{1,4}( \d{1,4})?$/)),
  style: v.picklist(['normal', 'italic']),
  /** The file's own permission forbids taking letters out of it. */
  whole: v.optional(v.literal(true)),
  /** Parts of the em: height of x and of capitals, mean width of a letter of running text. */
  x: between(0, 2),
  cap: between(0, 2),
  width: between(0, 3),
})
export type OwnFont = v.InferOutput<typeof ownFontSchema>

const shapeSchema = v.partial(
  v.strictObject({
    /** Radius of panels and pictures, px; small things take half. */
    corner: between(...LIMITS.corner),
    shadow: v.strictObject({
      x: between(-LIMITS.offset[1], LIMITS.offset[1]),
      y: between(-LIMITS.offset[1], LIMITS.offset[1]),
      blur: between(...LIMITS.blur),
      strength: between(0, 1),
    }),
    /** Weight of rules, px. */
    rule: between(...LIMITS.rule),
    /** Factor of the template's spacing. */
    density: between(...LIMITS.density),
    button: v.picklist(['square', 'soft', 'round', 'outline', 'underline']),
    field: v.picklist(['box', 'line', 'filled']),
  }),
)

/** The client's brand; what is absent is the template's. */
export const brandSchema = v.pipe(
  v.strictObject({
    /** The client's colours, six small hex digits: the first for buttons and links, the second for the accent tone, the third for marks. */
    colour: v.optional(hex),
    second: v.optional(hex),
    third: v.optional(hex),
    /** Roles set by hand, by form, tone and role: `light/paper/link`. */
    roles: v.optional(
      v.pipe(
        v.record(v.pipe(v.string(), v.regex(new RegExp(`^(light|dark)/(${TONES.join('|')})/(${ROLES.join('|')})$`))), hex),
        v.readonly(),
      ),
    ),
    /** Grounds of accent and ink that run from one colour to a neighbour; strength 0–1. */
    gradient: v.optional(v.strictObject({ angle: between(0, 360), strength: between(0, 1) })),
    /** Asset id of the logo, and of its version for dark surfaces. */
    logo: v.optional(assetId),
    'logo-on-dark': v.optional(assetId),
    /** Factors of the logo's usual size. */
    'logo-size': v.optional(v.strictObject({ desktop: between(...LIMITS.logoSize), phone: between(...LIMITS.logoSize) })),
    /** A logo set in type: the business's name, or other words for it. */
    wordmark: v.optional(
      v.strictObject({
        text: v.optional(v.pipe(v.string(), v.maxLength(60))),
        family: familyKey,
        weight: between(...LIMITS.weight),
        spacing: between(...LIMITS.spacing),
        case: letterCase,
      }),
    ),
    /** The small picture of a browser tab and of a phone's home screen. */
    icon: v.optional(
      v.strictObject({
        from: v.picklist(['mark', 'letters']),
        letters: v.optional(v.pipe(v.string(), v.minLength(1), v.maxLength(3))),
        ground: v.picklist(['paper', 'accent', 'ink']),
        form: v.picklist(['square', 'soft', 'round']),
      }),
    ),
    /** Font files of the client's own. */
    fonts: v.optional(v.pipe(v.array(ownFontSchema), v.maxLength(40), v.readonly())),
    /** Families for headings and for text. */
    display: v.optional(familyKey),
    text: v.optional(familyKey),
    /** Sizes by ratio: step n is base × ratio to the power n, at 390 and at 1280 px. */
    scale: v.optional(v.strictObject({ phone: scaleSchema, desktop: scaleSchema })),
    styles: v.optional(
      v.pipe(
        v.partial(
          v.strictObject(
            Object.fromEntries(TEXT_STYLES.map((name) => [name, textStyleSchema(name)])) as {
              [name in TextStyleName]: ReturnType<typeof textStyleSchema>
            },
          ),
        ),
        v.readonly(),
      ),
    ),
    shape: v.optional(v.pipe(shapeSchema, v.readonly())),
  }),
  v.readonly(),
)
export type Brand = v.InferOutput<typeof brandSchema>
export type TextStyleChange = NonNullable<NonNullable<Brand['styles']>[TextStyleName]>
export type Shape = NonNullable<Brand['shape']>
export type LetterCase = v.InferOutput<typeof letterCase>

export const BRAND_PARTS = Object.keys(brandSchema.pipe[0].entries) as (keyof Brand)[]
export type BrandPart = keyof Brand

/** The parts of a brand that go back to the template's together. */
export const BRAND_GROUPS = {
  colour: ['colour', 'second', 'third', 'roles', 'gradient'],
  logo: ['logo', 'logo-on-dark', 'logo-size', 'wordmark', 'icon'],
  type: ['display', 'text', 'scale', 'styles'],
  shape: ['shape'],
} as const satisfies Record<string, readonly BrandPart[]>
export type BrandGroup = keyof typeof BRAND_GROUPS
