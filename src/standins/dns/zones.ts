import { randomUUID } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { isIPv4, isIPv6 } from 'node:net'
import * as v from 'valibot'

/** What a registrar's page takes; names stand whole, without a dot at their end. */
export const TYPES = ['A', 'AAAA', 'CNAME', 'TXT', 'CAA', 'MX'] as const
type Type = (typeof TYPES)[number]

const HOST_NAME = /^(?=.{1,253}$)(?:(?!-)[a-z0-9_-]{1,63}\.)*(?!-)[a-z0-9_-]{1,63}$/
const nameSchema = v.pipe(v.string(), v.trim(), v.toLowerCase(), v.regex(/^(?:\*\.)?[a-z0-9._-]{1,250}$/, 'That is no name.'))
const ttlSchema = v.pipe(
  v.number(),
  v.integer(),
  v.minValue(1, 'A TTL is at least a second.'),
  v.maxValue(604_800, 'A TTL is at most a week.'),
)
export const recordSchema = v.pipe(
  v.strictObject({
    name: nameSchema,
    type: v.picklist(TYPES),
    value: v.pipe(v.string(), v.trim(), v.minLength(1, 'A record needs a value.'), v.maxLength(1000)),
    ttl: ttlSchema,
  }),
  v.check(({ type, value }) => isValue(type, value), 'That value does not fit this kind of record.'),
)
export type ZoneRecord = v.InferOutput<typeof recordSchema>

/** RFC 1035, 3.3 and 3.4; RFC 3596; RFC 8659. */
function isValue(type: Type, value: string): boolean {
  switch (type) {
    case 'A':
      return isIPv4(value)
    case 'AAAA':
      return isIPv6(value)
    case 'CNAME':
      return HOST_NAME.test(value.toLowerCase().replace(/\.$/, ''))
    case 'MX':
      return /^\d{1,5} [a-z0-9.-]{1,253}$/i.test(value)
    case 'CAA':
      return /^\d{1,3} [a-z0-9]{1,15} "[^"]{0,500}"$/i.test(value)
    case 'TXT':
      return true
    default:
      return type satisfies never
  }
}

const zoneSchema = v.strictObject({ records: v.array(recordSchema), fails: v.boolean() })
const zonesSchema = v.record(v.string(), zoneSchema)
export type Zone = v.InferOutput<typeof zoneSchema>

/** The zones that this registrar looks after, in one file. */
export class Zones {
  private readonly zones: Map<string, Zone>

  constructor(
    private readonly file: string,
    atFirst: Readonly<Record<string, readonly ZoneRecord[]>>,
  ) {
    mkdirSync(path.dirname(file), { recursive: true })
    this.zones = existsSync(file)
      ? new Map(Object.entries(v.parse(zonesSchema, JSON.parse(readFileSync(file, 'utf8')))))
      : new Map(Object.entries(atFirst).map(([name, records]) => [name, { records: [...records], fails: false }]))
    this.write()
  }

  names(): string[] {
    return [...this.zones.keys()].sort()
  }

  get(zone: string): Zone | undefined {
    return this.zones.get(zone)
  }

  /** The zone that a name lies in: the longest that ends it. */
  zoneOf(name: string): string | null {
    const parts = name.split('.')
    return parts.map((_, at) => parts.slice(at).join('.')).find((one) => this.zones.has(one)) ?? null
  }

  register(zone: string): void {
    if (!this.zones.has(zone)) this.change(zone, { records: [], fails: false })
  }

  add(zone: string, record: ZoneRecord): void {
    const { records, fails } = this.has(zone)
    this.change(zone, { records: [...records, record], fails })
  }

  remove(zone: string, index: number): void {
    const { records, fails } = this.has(zone)
    this.change(zone, { records: records.filter((_, at) => at !== index), fails })
  }

  /** Whether every question about a zone is to fail, as where its signatures have run out. */
  setFails(zone: string, fails: boolean): void {
    this.change(zone, { ...this.has(zone), fails })
  }

  private has(zone: string): Zone {
    const found = this.zones.get(zone)
    if (!found) throw new Error('There is no such domain here.')
    return found
  }

  private change(zone: string, to: Zone): void {
    this.zones.set(zone, to)
    this.write()
  }

  private write(): void {
    const part = `${this.file}.${randomUUID()}`
    writeFileSync(part, JSON.stringify(Object.fromEntries(this.zones), null, 1), { flush: true })
    renameSync(part, this.file)
  }
}
