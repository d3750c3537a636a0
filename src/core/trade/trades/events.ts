import { tradesOf } from '../trade'

/** Those who photograph, play at and arrange occasions. */
export const events = tradesOf('events', (trade) => [
  trade(
    'Photography',
    'ProfessionalService',
    'photographer; wedding photographer; portraits; headshots',
    'take photographs',
    'Weddings; Portraits; Business; Prints',
  ),
  trade(
    'Film making',
    'ProfessionalService',
    'videographer; wedding films; video',
    'make films',
    'Weddings; Businesses; Interviews; Editing',
  ),
  trade(
    'Music for events',
    'ProfessionalService',
    'band; dj; musician; string quartet; singer',
    'play at weddings and parties',
    'Ceremonies; Parties; Repertoire; Sound',
  ),
  trade(
    'Wedding planning',
    'ProfessionalService',
    'wedding planner; event planner; party planner',
    'plan weddings and parties',
    'Full planning; On the day; Venues; Styling',
  ),
  trade(
    'Venue hire',
    'EntertainmentBusiness',
    'village hall; function room; wedding venue; community hall',
    'hire out rooms',
    'The rooms; Prices; Weddings; Regular classes',
  ),
  trade(
    'Tent and marquee hire',
    'LocalBusiness',
    'marquee; party hire; equipment hire',
    'put up tents for parties',
    'Marquees; Furniture; Lighting; Floors',
  ),
])
