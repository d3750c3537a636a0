import { realpathSync } from 'node:fs'
import path from 'node:path'
import * as v from 'valibot'
import { madeFolder } from '../../files/data-folder'
import { DestinationError } from '../destination'

/** A folder under the one that is set aside for sites: `clients/tolliver`. */
export const folderSettingsSchema = v.pipe(
  v.strictObject({
    folder: v.pipe(
      v.string(),
      v.trim(),
      v.maxLength(200),
      v.regex(
        /^[^./\\\0][^/\\\0]*(?:\/[^./\\\0][^/\\\0]*)*$/,
        'A folder is written as names with a slash between them, such as clients/tolliver',
      ),
    ),
  }),
  v.readonly(),
)
export type FolderSettings = v.InferOutput<typeof folderSettingsSchema>

/** Where sites may be put on this machine: nowhere else, so that nobody who may publish can write over other files. */
export function foldersRoot(): string {
  return process.env.INSTANT_FIT_FOLDERS ?? madeFolder('folders')
}

/** The whole path of a folder; refused where a link leads out of what is set aside. */
export function wholePath({ folder }: FolderSettings): string {
  const root = realpathSync(foldersRoot())
  const asked = path.join(root, folder)
  for (let part = asked; part !== root; part = path.dirname(part)) {
    const real = findReal(part)
    if (real !== null && real !== part) throw new DestinationError('refused', `${path.relative(root, part)} is a link to another place`)
  }
  return asked
}

function findReal(file: string): string | null {
  try {
    return realpathSync(file)
  } catch {
    return null
  }
}
