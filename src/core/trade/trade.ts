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

type Row = (name: string, type: string, alsoCalled: string, does: string, services: string) => Trade

/** The trades of a group, each a row of words; several of one sort are parted by semicolons. */
export function tradesOf(group: TradeGroup, rows: (trade: Row) => readonly Trade[]): readonly Trade[] {
  return rows((name, type, alsoCalled, does, services) => ({
    name,
    type,
    group,
    alsoCalled: alsoCalled.split('; '),
    does,
    services: services.split('; '),
  }))
}
