/**
 * The path that a site stands at, as its public origin says it: `/`, or `/shop/` for one in a folder of its host. An origin has no slash
 * at its end.
 */
export function rootOf(origin: string): string {
  return `${new URL(origin).pathname.replace(/\/$/, '')}/`
}

/** A whole address as a path of the site at an origin; null where it leads elsewhere. */
export function pathAt(origin: string, url: string): string | null {
  const [whole, site] = [new URL(url), new URL(origin)]
  if (whole.origin !== site.origin) return null
  const root = rootOf(origin)
  return `${whole.pathname}/`.startsWith(root) ? `/${whole.pathname.slice(root.length)}` : null
}
