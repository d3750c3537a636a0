/** What a phone is told when the site is put on its home screen (W3C Web Application Manifest). Paths are the release's own. */
export function renderWebManifest(site: {
  readonly name: string
  readonly ground: string
  readonly icons: { readonly small: string; readonly large: string; readonly maskable: string }
}): string {
  const { name, ground, icons } = site
  return `${JSON.stringify(
    {
      name,
      short_name: name.length > 12 ? (name.split(/\s+/)[0] ?? name).slice(0, 12) : name,
      start_url: './',
      display: 'browser',
      background_color: ground,
      theme_color: ground,
      icons: [
        { src: icons.small, sizes: '192x192', type: 'image/png' },
        { src: icons.large, sizes: '512x512', type: 'image/png' },
        { src: icons.maskable, sizes: '512x512', type: 'image/png', purpose: 'maskable' },
      ],
    },
    null,
    1,
  )}\n`
}
