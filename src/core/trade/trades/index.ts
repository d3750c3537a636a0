import { advice } from './advice'
import { beauty } from './beauty'
import { care } from './care'
import { events } from './events'
import { food } from './food'
import { growers } from './growers'
import { home } from './home'
import { learning } from './learning'
import { leisure } from './leisure'
import { lodging } from './lodging'
import { makers } from './makers'
import { motor } from './motor'
import { pets } from './pets'
import { shops } from './shops'
import type { Trade } from '../trade'

/** Every trade there is, a file a group. */
export const TRADES: readonly Trade[] = [
  ...makers,
  ...home,
  ...care,
  ...beauty,
  ...pets,
  ...growers,
  ...food,
  ...shops,
  ...advice,
  ...events,
  ...lodging,
  ...learning,
  ...leisure,
  ...motor,
]
