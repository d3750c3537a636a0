import * as v from 'valibot'

const noControls = v.regex(/^\P{Cc}*$/u, 'No line ends or other control characters')
const short = (missing: string): v.GenericSchema<string> =>
  v.pipe(v.string(), v.trim(), v.minLength(1, missing), v.maxLength(255, 'That is longer than 255 characters'), noControls)
const NO_PORT = 'A port is a number from 1 to 65535'

/** A name or number of a host (RFC 1123, RFC 4291), without scheme, port or user. */
export const hostSchema = v.pipe(
  short('The name of the server is missing: it stands in the mail with the login'),
  v.regex(/^[A-Za-z0-9.:_-]+$/, 'A server is written by its name alone, such as files.example.com'),
)

export const portNumberSchema = v.pipe(v.number(NO_PORT), v.integer(NO_PORT), v.minValue(1, NO_PORT), v.maxValue(65_535, NO_PORT))

/** A port; the usual one where none is told. */
export const portSchema = (usual: number): v.OptionalSchema<v.GenericSchema<number>, number> => v.optional(portNumberSchema, usual)

export const userSchema = short('The user name is missing')

/** A folder as the server has it, from its root (`/srv/www`) or from where the login lands (`public`). */
export const folderSchema = v.pipe(
  v.string(),
  v.trim(),
  v.maxLength(500),
  v.regex(/^[^\\\0]*$/, 'A folder is written with slashes, such as public_html/site'),
  noControls,
)

export const passwordSchema = v.pipe(v.string(), v.minLength(1, 'The password is missing'), v.maxLength(1000), noControls)
