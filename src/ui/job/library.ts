import type { TemplateLibrary } from '@/core/pack'
import { libraryReplySchema } from '@/core/replies'
import { getJson } from '../request/api'

const fetched = new Map<string, Promise<TemplateLibrary>>()

/** Where the templates and designs of a version are. */
export function libraryUrl(version: string): string {
  return `/api/library/${version}`
}

/** The templates and designs of a version: fetched once in a window, and kept by the browser from one page to the next. */
export function fetchLibrary(version: string): Promise<TemplateLibrary> {
  const known = fetched.get(version)
  if (known) return known
  const asked = getJson(libraryUrl(version), libraryReplySchema)
  fetched.set(version, asked)
  asked.catch(() => fetched.delete(version))
  return asked
}
