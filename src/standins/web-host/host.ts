import path from 'node:path'
import { Certificates } from './certificates'
import type { Shown } from './public-server'
import { SiteStore } from './store'
import { Visits } from './visits'

/** A host whose sites and certificates lie in a folder. */
export function hostIn(folder: string, { quotaBytes = null, plain, secure }: Shown['ports'] & { quotaBytes?: number | null }): Shown {
  return {
    store: new SiteStore(folder, quotaBytes),
    certificates: new Certificates(path.join(folder, 'certificates')),
    challenges: new Map(),
    visits: new Visits(path.join(folder, 'visits')),
    ports: { plain, secure },
  }
}
