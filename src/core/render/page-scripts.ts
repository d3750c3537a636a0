import type { PageUse } from './page-writer'

/**
 * What a published page does by its visitor's own clock. Scripts stand behind everything, since designs tell by their neighbours how they
 * stand, and are the same on every page, so that their sums can be named beforehand.
 */
type PageScript = {
  /** The attribute that asks for it. */
  readonly askedBy: PageUse
  readonly code: string
  /** SHA-256 of the code, base64; a test reckons it anew. */
  readonly sum: string
}

/** Takes sections away whose last day is over since the page was published. */
const LAST_DAYS: PageScript = {
  askedBy: 'data-until',
  code:
    'for(const s of document.querySelectorAll("[data-until]")){const[y,m,d]=s.dataset.until.split("-");' +
    'new Date>=new Date(y,m-1,+d+1)&&s.remove()}',
  sum: 'iOcRNm/Lfwsmcc77iujLGQbhwZNP4yf315QjpzftGH8=',
}

/** Writes the year that it is where the one stands in which the page was made; a clock that is behind changes nothing. */
const YEARS: PageScript = {
  askedBy: 'data-year',
  code: 'const y=new Date().getFullYear();for(const t of document.querySelectorAll("[data-year]"))y>+t.textContent&&(t.textContent=y)',
  sum: 'IvhVQjqORG0W7/FFxQ6RRrTMfZOKQq0GGYwWlBwGrZM=',
}

/** Marks the hours of the day that it is. */
const TODAY: PageScript = {
  askedBy: 'data-days',
  code:
    'for(const r of document.querySelectorAll("[data-days]"))' +
    'r.dataset.days.includes(new Date().getDay())&&r.setAttribute("aria-current","date")',
  sum: 'xE6SX6uoEVtSI3r/gNUUB8GJD3ELIsjhCD+ArktF4UE=',
}

/** The scripts of a page: none where nothing asks for one. The hours of today are marked where there is another, and ask for none. */
export function scriptsOf(uses: ReadonlySet<PageUse>): readonly PageScript[] {
  const asked = [LAST_DAYS, YEARS].filter(({ askedBy }) => uses.has(askedBy))
  return asked.length > 0 && uses.has(TODAY.askedBy) ? [...asked, TODAY] : asked
}

export const PAGE_SCRIPTS: readonly PageScript[] = [LAST_DAYS, YEARS, TODAY]
