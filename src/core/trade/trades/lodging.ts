import { tradesOf } from '../trade'

/** Those who put people up. */
export const lodging = tradesOf('lodging', (trade) => [
  trade(
    'Guest house',
    'BedAndBreakfast',
    'bed and breakfast; b&b; rooms; guesthouse',
    'keep rooms for travellers',
    'Rooms; Breakfast; Prices; Getting here',
  ),
  trade('Hotel', 'Hotel', 'inn; small hotel', 'run a small hotel', 'Rooms; Dinner; Meetings; Getting here'),
  trade(
    'Holiday cottage',
    'VacationRental',
    'holiday let; self catering; holiday home; apartment',
    'let a house to holidaymakers',
    'The house; Prices; Nearby; Getting here',
  ),
  trade('Hostel', 'Hostel', 'backpackers; bunkhouse', 'keep bunks for travellers', 'Dormitories; Private rooms; Kitchen; Groups'),
])
