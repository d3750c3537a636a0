import type { ReleaseFiles } from '../src/core/render'

/** What a release in a test knows beyond its site. */
export const RELEASE_FILES: ReleaseFiles = {
  origin: 'https://client.example',
  stylesheet: 'style-1.css',
  preloads: [],
  icons: { svg: 'favicon.svg', ico: 'favicon.ico', touch: 'touch.png', manifest: 'site.webmanifest' },
}
