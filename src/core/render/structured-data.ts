import { pageTexts } from '../fill'
import { pagePath } from '../pages'
import { DAY_NAMES, DAYS, factsGiven, homePage, lineOf, sectionsOfPage, siteLanguage, toCountryCode, type Hours, type Page } from '../site'
import { findTrade } from '../trade'
import type { Site } from '../fill'

/** The business as schema.org data, from the client's own facts only: nothing of the template is claimed of the client. */
export function businessData(site: Site, origin: string, picture: string | null): Record<string, unknown> {
  const facts = factsGiven(site.document)
  const description = homePage(site.document).texts.description?.text
  return dropEmpty({
    '@context': 'https://schema.org',
    '@type': findTrade(facts.trade ?? '')?.type ?? 'LocalBusiness',
    name: facts.name ?? pageTexts(site.pack, site.document, homePage(site.document)).title,
    description,
    url: `${origin}/`,
    telephone: facts.phone,
    email: facts.email,
    image: picture,
    address:
      facts.address &&
      dropEmpty({
        '@type': 'PostalAddress',
        streetAddress: facts.address.street,
        addressLocality: facts.address.locality,
        postalCode: facts.address.postcode,
        addressCountry: toCountryCode(facts.address.country) ?? facts.address.country,
      }),
    openingHoursSpecification: facts.hours && openingHours(facts.hours),
    keywords: facts.keywords?.join(', '),
    sameAs: facts.socials?.length ? facts.socials : undefined,
  })
}

/** The page itself, and the way to it, as schema.org data: https://schema.org/WebPage, https://schema.org/BreadcrumbList. */
export function pageData(site: Site, page: Page, origin: string): Record<string, unknown> {
  const { document } = site
  const url = origin + pagePath(document, page)
  const { title, description } = pageTexts(site.pack, document, page)
  const home = homePage(document)
  const way = [home, ...lineOf(document, page).filter((one) => one !== home)]
  const trail = {
    '@type': 'BreadcrumbList',
    itemListElement: way.map((one, i) => ({
      '@type': 'ListItem',
      position: i + 1,
      name: pageTexts(site.pack, document, one).name,
      item: origin + pagePath(document, one),
    })),
  }
  return dropEmpty({
    '@context': 'https://schema.org',
    '@type': pageType(site, page),
    '@id': url,
    url,
    name: title,
    description,
    inLanguage: siteLanguage(document),
    isPartOf: { '@type': 'WebSite', '@id': `${origin}/#site`, url: `${origin}/`, name: factsGiven(document).name },
    breadcrumb: page === home ? undefined : trail,
  })
}

/** What a page is to those who search: told by its sections, whatever it is called. */
function pageType({ document }: Site, page: Page): string {
  const kinds = new Set(sectionsOfPage(document, page.id).map((s) => s.kind))
  if (page === homePage(document)) return 'WebPage'
  if (kinds.has('contact')) return 'ContactPage'
  if (kinds.has('team') || page.origin?.page === 'about') return 'AboutPage'
  return kinds.has('gallery') ? 'CollectionPage' : 'WebPage'
}

function openingHours(hours: Hours): object[] {
  const byTimes = new Map<string, { opens: string; closes: string; days: string[] }>()
  for (const day of DAYS) {
    for (const { opens, closes } of hours[day]) {
      const same = byTimes.get(`${opens} ${closes}`) ?? { opens, closes, days: [] }
      // schema.org/OpeningHoursSpecification: dayOfWeek takes schema.org/DayOfWeek members.
      same.days.push(DAY_NAMES[day])
      byTimes.set(`${opens} ${closes}`, same)
    }
  }
  return [...byTimes.values()].map(({ opens, closes, days }) => ({
    '@type': 'OpeningHoursSpecification',
    dayOfWeek: days,
    opens,
    closes: closes === '24:00' ? '23:59' : closes,
  }))
}

function dropEmpty(of: Record<string, unknown>): Record<string, unknown> {
  return Object.fromEntries(Object.entries(of).filter(([, value]) => value !== undefined && value !== null && value !== ''))
}
