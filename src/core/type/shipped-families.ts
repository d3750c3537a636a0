import { own } from '../own'
import { FALLBACKS, RANGES, type Family, type FontFile } from './family'
import { FURTHER } from './further-letters'
import { STATIC, VARIABLE, type Row } from './shipped-table'

const OFL = 'SIL Open Font Licence 1.1'
type Range = keyof typeof RANGES

/** The files that a family's letters come in: Latin, further Latin, and what else it has. */
const rangesOf = (key: string): readonly Range[] => ['latin', 'latin-ext', ...((own(FURTHER, key)?.split(' ') ?? []) as Range[])]

const toFamily = ([key, name, kind, , , x, cap, width, manner, owner]: Row, files: readonly FontFile[]): Family => ({
  key,
  name,
  kind,
  fallback: FALLBACKS[kind],
  x,
  cap,
  width,
  manner,
  licence: `© ${owner}, ${OFL}`,
  files,
})

const toFile = (pack: string, key: string, stem: string, weight: string, style: 'normal' | 'italic'): FontFile[] =>
  rangesOf(key).map((range) => ({ file: `${stem.replace('*', range)}-${style}.woff2`, package: pack, weight, style, range, whole: false }))

const SHIPPED: readonly Family[] = [
  ...VARIABLE.map((row) => {
    const [key, , , weight, italic] = row
    return toFamily(
      row,
      (italic ? (['normal', 'italic'] as const) : (['normal'] as const)).flatMap((style) =>
        toFile(`@fontsource-variable/${key}`, key, `${key}-*-wght`, weight, style),
      ),
    )
  }),
  ...STATIC.map(([...row]) => {
    const files = row.pop() as readonly (readonly [string, 'normal' | 'italic'])[]
    const own = row as unknown as Row
    return toFamily(
      own,
      files.flatMap(([weight, style]) => toFile(`@fontsource/${own[0]}`, own[0], `${own[0]}-*-${weight}`, weight, style)),
    )
  }),
]

/** Families shipped with the application, by the key that templates and brands name them with. */
export const FAMILIES: Readonly<Record<string, Family>> = Object.fromEntries(SHIPPED.map((family) => [family.key, family]))
