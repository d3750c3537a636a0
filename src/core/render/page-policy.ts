import { scriptsOf } from './page-scripts'
import type { PageUse } from './page-writer'

/** The rules that stand in a page, with their sum: SHA-256 in base64. */
export type PageRules = { readonly css: string; readonly sum: string }

/**
 * The policy of a published page (Content Security Policy 3): exactly what it uses, so that whatever else got into it would
 * neither run nor fetch. Data blocks are no scripts, and need nothing.
 */
export function pagePolicy(uses: ReadonlySet<PageUse>, rules: PageRules | null): string {
  const scripts = scriptsOf(uses)
  return [
    "default-src 'none'",
    "img-src 'self'",
    "font-src 'self'",
    `style-src ${rules ? `'sha256-${rules.sum}'` : "'self'"}`,
    ...(uses.has('style') ? ["style-src-attr 'unsafe-inline'"] : []),
    ...(scripts.length > 0 ? [`script-src ${scripts.map(({ sum }) => `'sha256-${sum}'`).join(' ')}`] : []),
    "manifest-src 'self'",
    // No script of a page fetches anything; those who check a site ask for its robots.txt from within a page, and are refused without this.
    "connect-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
  ].join('; ')
}

/** The policy of a page that only leads on: it shows words and fetches nothing. */
export const LEAD_ON_POLICY = "default-src 'none'; base-uri 'none'; form-action 'none'"
