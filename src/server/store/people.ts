import type { Grant, May, Person, Role } from '../../core/people'
import { sql } from './db'

type Row = { readonly id: string; readonly name: string; readonly email: string; readonly role: Role; readonly password: string }
/** Somebody with what he is known by: an Argon2id hash of the password. */
export type KnownPerson = Person & { readonly password: string }

const COLUMNS = 'id, name, email, role, password'

/** Those who can sign in now, the first of them first. */
export function listPeople(): readonly Person[] {
  return sql<[], Row>(`SELECT ${COLUMNS} FROM person WHERE left_at IS NULL ORDER BY made_at, id`).all().map(toPerson)
}

/** Whether nobody ever had an account here. */
export function hasPeople(): boolean {
  return sql<[], { id: string }>('SELECT id FROM person LIMIT 1').get() !== undefined
}

/** Whose all is that was done before there were accounts: the first person's. */
export function firstPerson(): string | null {
  return sql<[], { id: string }>('SELECT id FROM person ORDER BY made_at, id LIMIT 1').get()?.id ?? null
}

export function findPerson(id: string): KnownPerson | null {
  return sql<[string], Row>(`SELECT ${COLUMNS} FROM person WHERE id = ? AND left_at IS NULL`).get(id) ?? null
}

export function findPersonByEmail(email: string): KnownPerson | null {
  return sql<[string], Row>(`SELECT ${COLUMNS} FROM person WHERE email = ? AND left_at IS NULL`).get(email) ?? null
}

/** What everybody is called who ever worked here, for the log. */
export function namesOfPeople(): ReadonlyMap<string, string> {
  return new Map(
    sql<[], { id: string; name: string }>('SELECT id, name FROM person')
      .all()
      .map(({ id, name }) => [id, name]),
  )
}

export function insertPerson({ id, name, email, role, password }: KnownPerson, at: string): void {
  sql('INSERT INTO person (id, name, email, role, password, made_at) VALUES (?, ?, ?, ?, ?, ?)').run(id, name, email, role, password, at)
}

export function changePerson(id: string, { name, email, role, password }: Partial<Omit<KnownPerson, 'id'>>): void {
  sql(
    'UPDATE person SET name = coalesce(?, name), email = coalesce(?, email), role = coalesce(?, role), ' +
      'password = coalesce(?, password) WHERE id = ?',
  ).run(name ?? null, email ?? null, role ?? null, password ?? null, id)
}

/** Somebody leaves: no session, no grant; the address is free for another, and the log still knows the name. */
export function letPersonGo(id: string, at: string): void {
  for (const table of ['session', 'job_grant', 'passkey', 'pass']) sql(`DELETE FROM ${table} WHERE person = ?`).run(id)
  sql(`UPDATE person SET left_at = ?, email = id || ' ' || email WHERE id = ?`).run(at, id)
}

export function grantsOf(person: string): readonly Grant[] {
  return sql<[string], Grant>('SELECT job, may FROM job_grant WHERE person = ?').all(person)
}

export function findGrant(person: string, job: string): May | null {
  return sql<[string, string], { may: May }>('SELECT may FROM job_grant WHERE person = ? AND job = ?').get(person, job)?.may ?? null
}

/** Lets somebody at one job; null takes it back. */
export function setGrant(person: string, job: string, may: May | null): void {
  if (may === null) sql('DELETE FROM job_grant WHERE person = ? AND job = ?').run(person, job)
  else sql('INSERT INTO job_grant (person, job, may) VALUES (?, ?, ?) ON CONFLICT DO UPDATE SET may = excluded.may').run(person, job, may)
}

function toPerson({ id, name, email, role }: Row): Person {
  return { id, name, email, role }
}
