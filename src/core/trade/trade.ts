/** Families of trades: they talk to their customers in much the same way. */
export const TRADE_GROUPS = [
  'makers',
  'home',
  'care',
  'beauty',
  'pets',
  'growers',
  'food',
  'shops',
  'advice',
  'events',
  'lodging',
  'learning',
  'leisure',
  'motor',
] as const
export type TradeGroup = (typeof TRADE_GROUPS)[number]

/** A trade as people name it, and the schema.org type that fits a business of that trade. */
export type Trade = {
  readonly name: string
  /** A subtype of schema.org/LocalBusiness. */
  readonly type: string
  readonly group: TradeGroup
  readonly alsoCalled: readonly string[]
  /** What such a business does, after “we”: `repair clocks and watches`. */
  readonly does: string
  /** What it usually sells, as a menu would name it. */
  readonly services: readonly string[]
}

/** A row of the table; words are parted by semicolons. */
export function trade(name: string, type: string, group: TradeGroup, alsoCalled: string, does: string, services: string): Trade {
  return { name, type, group, alsoCalled: alsoCalled.split('; '), does, services: services.split('; ') }
}
