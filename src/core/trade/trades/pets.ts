import { tradesOf } from '../trade'

/** Those who look after animals. */
export const pets = tradesOf('pets', (trade) => [
  trade(
    'Veterinary care',
    'LocalBusiness',
    'vet; animal hospital; veterinary surgeon; veterinarian',
    'look after animals',
    'Vaccinations; Operations; Dental care; Emergencies',
  ),
  trade(
    'Dog grooming',
    'LocalBusiness',
    'dog groomer; pet grooming; poodle parlour',
    'wash and trim dogs',
    'Full groom; Wash and dry; Nails; Puppies',
  ),
  trade(
    'Dog walking',
    'LocalBusiness',
    'dog walker; pet sitter; dog day care',
    'walk dogs and mind pets',
    'Group walks; Solo walks; Home visits; Day care',
  ),
  trade(
    'Dog training',
    'LocalBusiness',
    'dog trainer; puppy classes',
    'train dogs and their people',
    'Puppies; Recall; One to one; Classes',
  ),
  trade(
    'Kennels and cattery',
    'LocalBusiness',
    'boarding kennels; cattery; pet boarding',
    'board dogs and cats',
    'Dogs; Cats; Collection; Day stays',
  ),
  trade(
    'Riding school',
    'SportsActivityLocation',
    'stables; horse riding; livery; equestrian',
    'teach riding and keep horses',
    'Lessons; Hacks; Livery; Pony days',
  ),
])
