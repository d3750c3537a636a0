import { loadHyphenation } from '@/core/lines'
import { siteLanguage } from '@/core/site'
import type { JobStore } from './job-store'

/** Keeps at hand how words are divided in the site's language, which can change while the job is open. */
export function followLanguage(store: JobStore): () => void {
  let language = ''
  const look = (): void => {
    const now = siteLanguage(store.getState().document)
    if (now === language) return
    language = now
    void loadHyphenation(now)
      .then((hyphens) => now === language && store.setState({ hyphens }))
      // Words are divided when the page is opened next; until then as a browser does.
      .catch((error: unknown) => console.error('How words are divided could not be fetched', error))
  }
  look()
  return store.subscribe(look)
}
