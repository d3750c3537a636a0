import { pageTexts } from '../fill'
import { DAYS, factsGiven, homePage, toCountryCode, type Day, type Hours } from '../site'
import { findTrade } from '../trade'
import type { Site } from '../fill'

// schema.org/OpeningHoursSpecification: dayOfWeek takes schema.org/DayOfWeek members.
const DAY_NAMES: Record<Day, string> = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
}

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

function openingHours(hours: Hours): object[] {
  const byTimes = new Map<string, { opens: string; closes: string; days: string[] }>()
  for (const day of DAYS) {
    for (const { opens, closes } of hours[day]) {
      const same = byTimes.get(`${opens} ${closes}`) ?? { opens, closes, days: [] }
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
