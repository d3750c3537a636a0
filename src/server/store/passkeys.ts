import { sql } from './db'

/** A passkey (W3C Web Authentication, Level 3): the public half of a pair of keys, the other of which never leaves its device. */
export type Passkey = {
  readonly id: string
  readonly person: string
  readonly publicKey: Uint8Array<ArrayBuffer>
  readonly counter: number
  readonly transports: readonly string[]
  readonly name: string
  readonly madeAt: string
  readonly usedAt: string | null
}
type Row = {
  id: string
  person: string
  public_key: Buffer
  counter: number
  transports: string
  name: string
  made_at: string
  used_at: string | null
}

const COLUMNS = 'id, person, public_key, counter, transports, name, made_at, used_at'

export function passkeysOf(person: string): readonly Passkey[] {
  return sql<[string], Row>(`SELECT ${COLUMNS} FROM passkey WHERE person = ? ORDER BY made_at, id`).all(person).map(toPasskey)
}

export function findPasskey(id: string): Passkey | null {
  const row = sql<[string], Row>(`SELECT ${COLUMNS} FROM passkey WHERE id = ?`).get(id)
  return row ? toPasskey(row) : null
}

export function insertPasskey({ id, person, publicKey, counter, transports, name, madeAt }: Omit<Passkey, 'usedAt'>): void {
  sql('INSERT INTO passkey (id, person, public_key, counter, transports, name, made_at) VALUES (?, ?, ?, ?, ?, ?, ?)').run(
    id,
    person,
    Buffer.from(publicKey),
    counter,
    transports.join(' '),
    name,
    madeAt,
  )
}

export function notePasskeyUse(id: string, counter: number, at: string): void {
  sql('UPDATE passkey SET counter = ?, used_at = ? WHERE id = ?').run(counter, at, id)
}

export function deletePasskey(person: string, id: string): boolean {
  return sql('DELETE FROM passkey WHERE person = ? AND id = ?').run(person, id).changes > 0
}

/** A challenge for somebody, or for whoever signs in by it. */
export function keepChallenge(challenge: string, person: string | null, until: string): void {
  sql('INSERT INTO challenge (challenge, person, until) VALUES (?, ?, ?)').run(challenge, person, until)
}

/** Takes a challenge, which can be answered once; false where it is not this person's, or too old. */
export function takeChallenge(challenge: string, person: string | null, now: string): boolean {
  sql('DELETE FROM challenge WHERE until <= ?').run(now)
  return sql('DELETE FROM challenge WHERE challenge = ? AND person IS ?').run(challenge, person).changes > 0
}

function toPasskey({ public_key, transports, made_at, used_at, ...rest }: Row): Passkey {
  const names = transports.split(' ').filter(Boolean)
  return { ...rest, publicKey: new Uint8Array(public_key), transports: names, madeAt: made_at, usedAt: used_at }
}
