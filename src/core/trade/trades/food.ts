import { tradesOf } from '../trade'

/** Those who cook, bake, brew and serve. */
export const food = tradesOf('food', (trade) => [
  trade('Bakery', 'Bakery', 'baker; bread; cakes; patisserie', 'bake bread and cakes', 'Bread; Pastries; Cakes to order; Sandwiches'),
  trade(
    'Cake making',
    'Bakery',
    'cake maker; wedding cakes; birthday cakes',
    'bake cakes to order',
    'Wedding cakes; Birthday cakes; Tastings; Delivery',
  ),
  trade('Butcher', 'GroceryStore', 'meat; butchery; sausages', 'cut and sell meat', 'Beef and lamb; Sausages; Boxes; Christmas orders'),
  trade('Fishmonger', 'GroceryStore', 'fish; seafood', 'sell fresh fish', 'Today’s catch; Shellfish; Smoked fish; Boxes'),
  trade('Greengrocer', 'GroceryStore', 'fruit and vegetables; grocer', 'sell fruit and vegetables', 'Fruit; Vegetables; Boxes; Delivery'),
  trade(
    'Delicatessen',
    'GroceryStore',
    'deli; cheese shop; cheesemonger',
    'sell cheese, cured meat and good tins',
    'Cheese; Hampers; Lunch; Tastings',
  ),
  trade(
    'Café',
    'CafeOrCoffeeShop',
    'coffee shop; cafe; tea room; espresso bar',
    'make coffee and lunch',
    'Breakfast; Lunch; Cakes; Room hire',
  ),
  trade(
    'Restaurant',
    'Restaurant',
    'bistro; brasserie; dining; eatery',
    'cook and serve dinner',
    'Lunch; Dinner; Set menu; Private parties',
  ),
  trade(
    'Takeaway',
    'FastFoodRestaurant',
    'fish and chips; pizza; kebab; fast food',
    'cook food to take away',
    'Menu; Meal deals; Delivery; Large orders',
  ),
  trade('Pub', 'BarOrPub', 'bar; inn; alehouse; tavern', 'keep a good pub', 'Food; Ales; Rooms; Quiz night'),
  trade('Brewery', 'Brewery', 'brewer; microbrewery; craft beer; taproom', 'brew beer', 'Beers; Tap room; Tours; Kegs'),
  trade('Ice cream', 'IceCreamShop', 'gelato; ice cream parlour', 'make ice cream', 'Flavours; Tubs; Carts for parties; Cakes'),
  trade(
    'Catering',
    'FoodEstablishment',
    'caterer; private chef; event catering; buffet',
    'cook for parties and weddings',
    'Weddings; Buffets; Private dinners; Offices',
  ),
])
