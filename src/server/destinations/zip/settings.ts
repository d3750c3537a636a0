import { folderSettingsSchema, wholePath, type FolderSettings } from '../folder/settings'

/** A zip on this machine, by its name without the ending, under the folder that is set aside for sites: `clients/tolliver`. */
export const zipSettingsSchema = folderSettingsSchema
export type ZipSettings = FolderSettings

/** Where a zip is. */
export function zipFile(settings: ZipSettings): string {
  return `${wholePath(settings)}.zip`
}
