import { tradesOf } from '../trade'

/** Those who look after hair, skin and nails. */
export const beauty = tradesOf('beauty', (trade) => [
  trade(
    'Hairdressing',
    'HairSalon',
    'hairdresser; hair salon; hair stylist; colourist',
    'cut and colour hair',
    'Cuts; Colour; Blow-dry; Weddings',
  ),
  trade(
    'Barber',
    'HairSalon',
    'barbershop; men’s hair; beard trim',
    'cut hair and trim beards',
    'Haircut; Beard trim; Hot towel shave; Boys',
  ),
  trade(
    'Beauty',
    'BeautySalon',
    'beauty salon; beautician; facials; waxing; lashes',
    'look after skin, brows and lashes',
    'Facials; Waxing; Brows and lashes; Make-up',
  ),
  trade('Nails', 'NailSalon', 'nail salon; manicure; nail technician', 'look after nails', 'Manicure; Pedicure; Gel; Repairs'),
  trade('Day spa', 'DaySpa', 'spa; sauna; wellness', 'give people a day’s rest', 'Half days; Massage; Sauna; Gift days'),
  trade(
    'Tattoo',
    'TattooParlor',
    'tattooist; tattoo studio; piercing',
    'draw and make tattoos',
    'Custom work; Small pieces; Cover-ups; Piercing',
  ),
  trade(
    'Make-up',
    'BeautySalon',
    'make-up artist; bridal make-up',
    'do make-up for weddings and cameras',
    'Weddings; Trials; Photo shoots; Lessons',
  ),
])
