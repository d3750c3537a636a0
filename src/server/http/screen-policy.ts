/**
 * The content policy of our own screens (CSP level 3): scripts are those we serve, and those that bear the word of this one reply. Styles
 * are set by our own components. The frames of sheets have it too, since they are begun by our screens, and a narrower one of their own.
 */
export function screenPolicy(nonce: string): string {
  // While it is developed, React asks for eval to say where a fault came from.
  const scripts = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}'${scripts}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data: blob:",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "frame-src 'self'",
    "manifest-src 'self'",
    "form-action 'self'",
    "base-uri 'none'",
    "object-src 'none'",
    "frame-ancestors 'self'",
  ].join('; ')
}
