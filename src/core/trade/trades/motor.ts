import { tradesOf } from '../trade'

/** Those who sell, mend and drive vehicles. */
export const motor = tradesOf('motor', (trade) => [
  trade(
    'Car repair',
    'AutoRepair',
    'garage; mechanic; car service; MOT',
    'service and repair cars',
    'Servicing; Brakes; Diagnostics; Test preparation',
  ),
  trade(
    'Car body repair',
    'AutoBodyShop',
    'bodyshop; panel beater; paint sprayer; dent removal',
    'repair and paint car bodies',
    'Dents; Scratches; Insurance work; Rust',
  ),
  trade(
    'Car cleaning',
    'AutoWash',
    'car wash; valeting; detailing',
    'clean and polish cars',
    'Wash; Full valet; Paint correction; Interiors',
  ),
  trade('Tyres', 'TireShop', 'tires; tyre fitter; wheel alignment', 'fit tyres', 'New tyres; Punctures; Alignment; Mobile fitting'),
  trade(
    'Motorcycle repair',
    'MotorcycleRepair',
    'motorbike mechanic; bike garage',
    'service and repair motorcycles',
    'Servicing; Tyres; Carburettors; Winter lay-up',
  ),
  trade(
    'Bicycle repair',
    'BikeStore',
    'bike shop; cycle repair; bicycle mechanic',
    'repair and build bicycles',
    'Full service; Wheel building; Gears; Punctures',
  ),
  trade(
    'Car sales',
    'AutoDealer',
    'used cars; car dealer; vehicle sales',
    'sell checked used cars',
    'Cars in stock; Part exchange; Warranties; Sourcing',
  ),
  trade(
    'Taxi',
    'LocalBusiness',
    'cab; minibus hire; airport transfer; chauffeur; private hire',
    'drive people where they need to be',
    'Local trips; Airports; School runs; Minibuses',
  ),
])
