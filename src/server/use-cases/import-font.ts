import type { StoredFont } from '../../core/replies'
import { readBytes } from '../http/read-bytes'
import { MAX_FONT_BYTES, storeFont } from '../media/store-font'
import { jobTexts } from './home-sheet'

/** One font file of the client's, its name in the query. */
export async function importFont(request: Request, query: URLSearchParams, job: string): Promise<StoredFont> {
  const texts = await jobTexts(job)
  const name = query.get('name') ?? 'font'
  return storeFont(name, await readBytes(request, name, MAX_FONT_BYTES, 'fontTooLarge'), texts)
}
