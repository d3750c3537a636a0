import * as v from 'valibot'
import type { AssetInfo } from '../image'
import { fileTargetSchema, ownFontSchema } from '../site'
import { list, record } from './shared'

/** A picture that was taken in. */
export const storedPictureSchema = v.object({ asset: record<AssetInfo>() })
/** A logo, with what is worth knowing of it. */
export const storedLogoSchema = v.object({ asset: record<AssetInfo>(), notes: list(v.string()) })
export type StoredLogo = Readonly<v.InferOutput<typeof storedLogoSchema>>
export const storedFontSchema = v.object({ font: ownFontSchema, notes: list(v.string()) })
export type StoredFont = Readonly<v.InferOutput<typeof storedFontSchema>>
export const storedFileSchema = fileTargetSchema
