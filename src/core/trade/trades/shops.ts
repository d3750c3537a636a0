import { tradesOf } from '../trade'

/** Those who sell, hire out and store. */
export const shops = tradesOf('shops', (trade) => [
  trade(
    'Laundry and dry cleaning',
    'DryCleaningOrLaundry',
    'launderette; dry cleaner; ironing',
    'wash, press and dry-clean',
    'Service wash; Dry cleaning; Ironing; Duvets',
  ),
  trade(
    'Computer repair',
    'ComputerStore',
    'laptop repair; IT support; pc repair',
    'repair computers',
    'Laptops; Data recovery; Upgrades; Home visits',
  ),
  trade(
    'Phone repair',
    'MobilePhoneStore',
    'screen repair; mobile phone repair',
    'repair telephones',
    'Screens; Batteries; Water damage; Charging ports',
  ),
  trade('Pet shop', 'PetStore', 'pet supplies; aquarium', 'sell what pets need', 'Food; Bedding; Fish; Advice'),
  trade(
    'Florist',
    'Florist',
    'flowers; flower shop; wedding flowers; bouquets',
    'make bouquets and wreaths',
    'Bouquets; Weddings; Funerals; Delivery',
  ),
  trade('Wine shop', 'LiquorStore', 'wine merchant; off-licence; vintner', 'sell wine', 'Wines; Tastings; Cases; Glass hire'),
  trade('Bookshop', 'BookStore', 'books; bookseller; second-hand books', 'sell books', 'New books; Second-hand; Orders; Evenings'),
  trade('Gift shop', 'Store', 'gifts; cards; homewares', 'sell presents and cards', 'Cards; Presents; Homewares; Wrapping'),
  trade('Clothes shop', 'ClothingStore', 'boutique; fashion; vintage clothes', 'sell clothes', 'Women; Men; Vintage; Alterations'),
  trade('Toy shop', 'ToyStore', 'toys; games; model shop', 'sell toys and games', 'Wooden toys; Games; Crafts; Birthday lists'),
  trade('Hardware shop', 'HardwareStore', 'ironmonger; tools; diy shop', 'sell tools and fittings', 'Tools; Fixings; Paint; Keys cut'),
  trade(
    'Antiques',
    'Store',
    'antique dealer; vintage furniture; auction',
    'buy and sell old things',
    'Furniture; Silver; Valuations; House contents',
  ),
  trade(
    'Art gallery',
    'ArtGallery',
    'gallery; artist; paintings; painter (art)',
    'show and sell art',
    'Exhibitions; Artists; Framing; Commissions',
  ),
  trade(
    'Sewing and fabric shop',
    'HobbyShop',
    'haberdashery; fabric shop; wool shop; yarn',
    'sell cloth and thread',
    'Fabric; Wool; Patterns; Classes',
  ),
  trade('Self storage', 'SelfStorage', 'storage units; lock-up', 'store people’s things', 'Unit sizes; Prices; Access; Insurance'),
])
