/** A trade as people name it, and the schema.org type that fits a business of that trade. */
export type Trade = { readonly name: string; readonly type: string; readonly alsoCalled: readonly string[] }

const trade = (name: string, type: string, ...alsoCalled: string[]): Trade => ({ name, type, alsoCalled })

export const TRADES: readonly Trade[] = [
  trade('Clock and watch repair', 'LocalBusiness', 'watchmaker', 'horologist', 'clockmaker'),
  trade('Upholstery', 'HomeAndConstructionBusiness', 'upholsterer', 'chair repair'),
  trade('Joinery', 'GeneralContractor', 'joiner', 'carpenter', 'furniture maker'),
  trade('Pottery', 'Store', 'potter', 'ceramics'),
  trade('Physiotherapy', 'Physiotherapy', 'physiotherapist', 'physio', 'physical therapy'),
  trade('Dentistry', 'Dentist', 'dentist', 'dental practice'),
  trade('Optician', 'Optician', 'optometrist', 'glasses'),
  trade('Children’s nursery', 'ChildCare', 'kindergarten', 'day care'),
  trade('Plant nursery', 'GardenStore', 'garden centre', 'plants', 'nursery'),
  trade('Gardening', 'HomeAndConstructionBusiness', 'gardener', 'garden maintenance'),
  trade('Electrical work', 'Electrician', 'electrician'),
  trade('Plumbing', 'Plumber', 'plumber'),
  trade('Heating', 'HVACBusiness', 'heating engineer', 'boilers'),
  trade('Roofing', 'RoofingContractor', 'roofer'),
  trade('Building', 'GeneralContractor', 'builder'),
  trade('Painting and decorating', 'HousePainter', 'painter', 'decorator'),
  trade('Hairdressing', 'HairSalon', 'hairdresser', 'barber'),
  trade('Beauty', 'BeautySalon', 'beauty salon'),
  trade('Bakery', 'Bakery', 'baker'),
  trade('Café', 'CafeOrCoffeeShop', 'coffee shop'),
  trade('Restaurant', 'Restaurant', 'bistro'),
  trade('Bicycle repair', 'BikeStore', 'bike shop'),
  trade('Car repair', 'AutoRepair', 'garage', 'mechanic'),
  trade('Accountancy', 'AccountingService', 'accountant', 'bookkeeper'),
  trade('Law', 'LegalService', 'solicitor', 'lawyer', 'notary'),
  trade('Veterinary care', 'VeterinaryCare', 'vet', 'animal hospital'),
  trade('Jewellery', 'JewelryStore', 'jeweller', 'goldsmith'),
  trade('Bookshop', 'BookStore', 'books'),
  trade('Florist', 'Florist', 'flowers'),
  trade('Guest house', 'BedAndBreakfast', 'bed and breakfast', 'rooms'),
]

/** The trade that a person's words name, by name or by another word for it; null when none does. */
export function findTrade(words: string): Trade | null {
  const asked = words.trim().toLowerCase()
  if (asked === '') return null
  const names = (t: Trade): string[] => [t.name, ...t.alsoCalled].map((n) => n.toLowerCase())
  return TRADES.find((t) => names(t).includes(asked)) ?? TRADES.find((t) => names(t).some((n) => n.includes(asked) || asked.includes(n))) ?? null
}
