/**
 * Takes sections away whose last day is over since a page was published, by the visitor's own clock. It stands behind everything, since
 * designs tell by their neighbours how they stand, and is the same on every page, so that its sum can be named beforehand.
 */
export const LAST_DAYS =
  'for(const s of document.querySelectorAll("[data-until]")){const[y,m,d]=s.dataset.until.split("-");' +
  'new Date>=new Date(y,m-1,+d+1)&&s.remove()}'
/** SHA-256 of that, base64; a test reckons it anew. */
const LAST_DAYS_SUM = 'iOcRNm/Lfwsmcc77iujLGQbhwZNP4yf315QjpzftGH8='

/**
 * The policy of a published page (Content Security Policy 3): exactly what it uses, so that whatever else got into it would
 * neither run nor fetch. Data blocks are no scripts, and need nothing.
 */
export function pagePolicy(body: string): string {
  return [
    "default-src 'none'",
    "img-src 'self'",
    "font-src 'self'",
    "style-src 'self'",
    ...(body.includes(' style="') ? ["style-src-attr 'unsafe-inline'"] : []),
    ...(body.includes(LAST_DAYS) ? [`script-src 'sha256-${LAST_DAYS_SUM}'`] : []),
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'none'",
  ].join('; ')
}

/** The policy of a page that only leads on: it shows words and fetches nothing. */
export const LEAD_ON_POLICY = "default-src 'none'; base-uri 'none'; form-action 'none'"
