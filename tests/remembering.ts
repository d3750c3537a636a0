import { createHash } from 'node:crypto'
import type { SentContents } from '../src/server/destinations/file-server/sent-contents'

/** What the application has of what it sent: every content that is noted, and the list as it was written last. */
export function remembering(): { readonly kept: SentContents; readonly note: (contents: Iterable<Buffer>) => void } {
  const known = new Map<string, Buffer>()
  let list: Buffer | null = null
  return {
    kept: { contentOf: (hash) => known.get(hash) ?? null, list: () => list, keepList: (now) => (list = now) },
    note: (contents) => {
      for (const content of contents) known.set(createHash('sha256').update(content).digest('hex'), content)
    },
  }
}
