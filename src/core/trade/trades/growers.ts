import { tradesOf } from '../trade'

/** Those who grow, farm and keep gardens. */
export const growers = tradesOf('growers', (trade) => [
  trade(
    'Plant nursery',
    'GardenStore',
    'garden centre; plants; nursery; perennials',
    'grow and sell plants',
    'Perennials; Herbs; Trees; Advice',
  ),
  trade(
    'Gardening',
    'HomeAndConstructionBusiness',
    'gardener; garden maintenance; lawn care; hedge cutting',
    'look after gardens',
    'Regular visits; Hedges; Borders; One-off clearances',
  ),
  trade(
    'Garden design',
    'ProfessionalService',
    'garden designer; landscape architect; landscaping',
    'design and plant gardens',
    'Consultation; Planting plans; Full design; Aftercare',
  ),
  trade(
    'Tree surgery',
    'LocalBusiness',
    'tree surgeon; arborist; stump grinding; felling',
    'prune, fell and plant trees',
    'Crown reduction; Felling; Stump grinding; Surveys',
  ),
  trade(
    'Farm',
    'GroceryStore',
    'farmer; farm shop; smallholding; pick your own',
    'grow food and sell it from the yard',
    'Farm shop; Pick your own; Boxes; Eggs',
  ),
  trade(
    'Vegetable box',
    'GroceryStore',
    'organic vegetables; market garden; veg box; grower',
    'grow vegetables and bring them round',
    'Small box; Family box; Fruit; Eggs',
  ),
  trade('Orchard', 'GroceryStore', 'fruit grower; apples; cider apples', 'grow and press fruit', 'Apples; Juice; Pressing; Pruning days'),
  trade('Beekeeping', 'GroceryStore', 'beekeeper; honey; apiary', 'keep bees and sell honey', 'Honey; Swarms collected; Wax; Courses'),
  trade('Vineyard', 'Winery', 'winery; wine grower; winemaker', 'grow vines and make wine', 'Wines; Tastings; Tours; Cellar door'),
  trade(
    'Campsite',
    'Campground',
    'camping; glamping; caravan site; camp',
    'keep a field for tents',
    'Pitches; Bell tents; Campfires; Groups',
  ),
  trade(
    'Fishery',
    'SportsActivityLocation',
    'fishing lake; angling; trout farm',
    'keep water for fishing',
    'Day tickets; Lessons; Tackle hire; Season tickets',
  ),
])
