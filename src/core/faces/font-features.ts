import { own } from '../own'

/**
 * What browsers shape every text with (CSS Fonts 4, 2.2 and 6.4; OpenType 1.9.1, “Registered features”): letters that belong together,
 * spaces between pairs, marks on letters, forms that letters of a script take beside each other. Fractions are written so only around
 * U+2044.
 */
const ALWAYS =
  'ccmp locl rvrn rlig liga clig calt rclt kern mark mkmk curs dist ' +
  'isol init medi med2 fina fin2 fin3 mset stch cswh ltra ltrm rtla rtlm ' +
  'nukt akhn rphf rkrf pref blwf half abvf pstf cfar vatu cjct pres abvs blws psts haln abvm blwm ljmo vjmo tjmo'
const FRACTIONS = 'frac numr dnom'

/** What a word of a style sheet asks of a font, by its property (CSS Fonts 4, 6). */
const ASKED: Readonly<Record<string, string>> = {
  'discretionary-ligatures': 'dlig',
  'historical-ligatures': 'hlig',
  'small-caps': 'smcp',
  'all-small-caps': 'smcp c2sc',
  'petite-caps': 'pcap',
  'all-petite-caps': 'pcap c2pc',
  unicase: 'unic',
  'titling-caps': 'titl',
  'lining-nums': 'lnum',
  'oldstyle-nums': 'onum',
  'proportional-nums': 'pnum',
  'tabular-nums': 'tnum',
  'diagonal-fractions': FRACTIONS,
  'stacked-fractions': 'afrc',
  ordinal: 'ordn',
  'slashed-zero': 'zero',
  'historical-forms': 'hist',
  sub: 'subs',
  super: 'sups',
}

/**
 * The OpenType features that a site's fonts need: those that every text is shaped with, those that its style sheet asks for, and fractions
 * where its letters write some. Null where that cannot be told: then every one stays.
 */
export function fontFeatures(css: string, letters: ReadonlySet<string>): readonly string[] | null {
  const asked = [...css.matchAll(/font(?:-(variant(?:-[a-z]+)?|feature-settings))?\s*:([^;}]+)/g)]
  const isUnsure = asked.some(([, by, value = '']) => by === 'variant-alternates' || (by !== undefined && /\b(var|env|attr)\(/.test(value)))
  if (isUnsure) return null
  const tags = asked.flatMap(([, by, value = '']) =>
    by === 'feature-settings'
      ? [...value.matchAll(/["']([\x20-\x7e]{4})["']/g)].map(([, tag = '']) => tag)
      : value.split(/[\s!]+/).flatMap((word) => own(ASKED, word)?.split(' ') ?? []),
  )
  return [...new Set([...`${ALWAYS}${letters.has('⁄') ? ` ${FRACTIONS}` : ''}`.split(' '), ...tags])].sort()
}
