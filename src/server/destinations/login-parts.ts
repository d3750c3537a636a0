import * as v from 'valibot'

const noControls = v.regex(/^\P{Cc}*$/u, 'No line ends or other control characters')
const short = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(255), noControls)

/** A name or number of a host (RFC 1123, RFC 4291), without scheme, port or user. */
export const hostSchema = v.pipe(short, v.regex(/^[A-Za-z0-9.:_-]+$/, 'A server is written by its name alone, such as files.example.com'))

/** A port; the usual one where none is told. */
export const portSchema = (usual: number): v.OptionalSchema<v.GenericSchema<number>, number> =>
  v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(65_535)), usual)

export const userSchema = short

/** A folder as the server has it, from its root (`/srv/www`) or from where the login lands (`public`). */
export const folderSchema = v.pipe(v.string(), v.trim(), v.maxLength(500), v.regex(/^[^\\\0]*$/), noControls)

export const passwordSchema = v.pipe(v.string(), v.minLength(1), v.maxLength(1000), noControls)
