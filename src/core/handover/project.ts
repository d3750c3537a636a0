import * as v from 'valibot'
import { heldSchema } from '../lines'
import { editSchema, nameSchema } from '../site'

/** Where a handover has what it takes to go on working on the site. */
export const PROJECT_FOLDER = 'project'
export const PROJECT_FILE = `${PROJECT_FOLDER}/project.json`

const name = (most: number) => v.pipe(v.string(), v.minLength(1), v.maxLength(most))
const revision = v.pipe(v.number(), v.integer(), v.minValue(0))
const hash = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/))
const time = v.pipe(v.string(), v.isoTimestamp())
const share = v.pipe(v.number(), v.minValue(0), v.maxValue(1))
const size = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000))
const key = v.pipe(v.string(), v.regex(/^[0-9a-f]{16}$/))
const list = <T extends v.GenericSchema>(of: T) => v.pipe(v.array(of), v.readonly())

const pictureSchema = v.strictObject({
  id: v.pipe(v.string(), v.regex(/^[0-9a-f]{20}$/)),
  hash,
  name: name(40),
  type: v.picklist(['jpg', 'png', 'webp', 'avif', 'gif', 'svg']),
  width: size,
  height: size,
  alpha: v.boolean(),
  focus: v.strictObject({ x: share, y: share }),
  light: v.optional(v.pipe(v.string(), v.maxLength(20_000))),
})
export type ProjectPicture = v.InferOutput<typeof pictureSchema>

/** Hands of another installation: nobody here has such a name. */
const hand = v.pipe(v.string(), v.regex(/^(?:person:elsewhere-\d{1,4}|instant-fit)$/))

const rowSchema = v.strictObject({
  revision,
  id: name(40),
  who: v.nullable(hand),
  gesture: name(80),
  undoes: v.nullable(name(80)),
  at: time,
  edit: editSchema,
})
export type ProjectRow = v.InferOutput<typeof rowSchema>

/**
 * A job as it travels: the site document that it begins with, each change since, in order (none where it was taken without its history),
 * and what lies beside it. `document` is what the changes lead to, so that one that is not whole is known; `readDocument` reads both.
 */
export const projectSchema = v.strictObject({
  format: v.literal(1),
  job: v.pipe(v.string(), v.regex(/^[\w-]{1,40}$/)),
  name: name(400),
  madeAt: time,
  begin: v.strictObject({ revision, document: v.unknown() }),
  rows: list(rowSchema),
  document: v.unknown(),
  /** States that have a name. */
  points: list(v.strictObject({ revision, name: name(200), at: time })),
  /** Addresses at which visitors have found pages. */
  paths: list(v.strictObject({ revision, path: name(400), page: name(100) })),
  /** What browsers have measured: where the menu fits, how texts are held. */
  menus: list(v.strictObject({ key, width: v.nullable(size) })),
  holds: list(v.strictObject({ key, held: heldSchema })),
  pictures: list(pictureSchema),
  /** Font files of the client's, by name. */
  fonts: list(v.pipe(v.string(), v.regex(/^own-[0-9a-f]{20}\.(?:woff2|woff|ttf|otf)$/))),
  /** Files that links lead to. */
  files: list(hash),
  /** Templates that the site is made of, each a pack. */
  packs: list(nameSchema),
})
export type Project = v.InferOutput<typeof projectSchema>

/** Where a handover has each thing that a project names. */
export const projectPath = {
  picture: ({ hash: of, type }: Pick<ProjectPicture, 'hash' | 'type'>): string => `${PROJECT_FOLDER}/pictures/${of}.${type}`,
  font: (file: string): string => `${PROJECT_FOLDER}/fonts/${file}`,
  file: (of: string): string => `${PROJECT_FOLDER}/files/${of}.pdf`,
  pack: (id: string): string => `${PROJECT_FOLDER}/packs/${id}.zip`,
}

/** Hands as they travel: told apart, and nobody's name. */
export function handsApart(): (who: string | null) => string | null {
  const known = new Map<string, string>()
  return (who) => {
    if (who === null || !who.startsWith('person:')) return who === 'instant-fit' ? who : null
    const hand = known.get(who) ?? `person:elsewhere-${known.size + 1}`
    known.set(who, hand)
    return hand
  }
}

/** What documents and their changes name of files: linked files by hash, fonts by name. */
export function namedFiles(texts: Iterable<string>): { readonly files: readonly string[]; readonly fonts: readonly string[] } {
  const [files, fonts] = [new Set<string>(), new Set<string>()]
  for (const text of texts) {
    for (const [, of = ''] of text.matchAll(/"hash":"([0-9a-f]{64})"/g)) files.add(of)
    for (const [font] of text.matchAll(/own-[0-9a-f]{20}\.(?:woff2|woff|ttf|otf)/g)) fonts.add(font)
  }
  return { files: [...files].sort(), fonts: [...fonts].sort() }
}
