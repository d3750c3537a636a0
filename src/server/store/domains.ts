import { sql } from './db'

/** A client's domain, as it is kept: times as ISO 8601, `chain` as PEM, `key` sealed, `asked` as JSON. */
export type KeptDomain = {
  readonly name: string
  readonly job: string
  readonly other: string | null
  readonly proof: string
  readonly provedAt: string | null
  readonly hsts: 0 | 1
  readonly chain: string | null
  readonly key: Buffer | null
  readonly notBefore: string | null
  readonly notAfter: string | null
  readonly asked: string | null
  readonly fault: string | null
}
const COLUMNS =
  'name, job, other, proof, proved_at AS provedAt, hsts, chain, key, not_before AS notBefore, not_after AS notAfter, asked, fault'

export function insertDomain({ name, job, other, proof }: Pick<KeptDomain, 'name' | 'job' | 'other' | 'proof'>): void {
  sql('INSERT INTO domain (name, job, other, proof, made_at) VALUES (?, ?, ?, ?, ?)').run(name, job, other, proof, new Date().toISOString())
}

export function findDomain(job: string): KeptDomain | null {
  return sql<[string], KeptDomain>(`SELECT ${COLUMNS} FROM domain WHERE job = ?`).get(job) ?? null
}

/** The job that has a name, as what visitors see or as what leads there. */
export function jobOfDomain(name: string): string | null {
  return sql<[string, string], { job: string }>('SELECT job FROM domain WHERE name = ? OR other = ?').get(name, name)?.job ?? null
}

/** Domains that have a certificate. */
export function certifiedDomains(): KeptDomain[] {
  return sql<[], KeptDomain>(`SELECT ${COLUMNS} FROM domain WHERE chain IS NOT NULL ORDER BY name`).all()
}

export function noteProved(name: string): void {
  sql('UPDATE domain SET proved_at = ? WHERE name = ? AND proved_at IS NULL').run(new Date().toISOString(), name)
}

export function noteHsts(name: string, hsts: boolean): void {
  sql('UPDATE domain SET hsts = ? WHERE name = ?').run(hsts ? 1 : 0, name)
}

export function noteAsked(name: string, asked: string | null): void {
  sql('UPDATE domain SET asked = ? WHERE name = ?').run(asked, name)
}

export function noteFault(name: string, fault: string): void {
  sql('UPDATE domain SET fault = ? WHERE name = ?').run(fault, name)
}

export type KeptCertificate = { readonly chain: string; readonly key: Buffer; readonly notBefore: string; readonly notAfter: string }

/** Keeps a certificate; what was asked for it, and what went wrong before, is done with. */
export function keepCertificate(name: string, { chain, key, notBefore, notAfter }: KeptCertificate): void {
  sql('UPDATE domain SET chain = ?, key = ?, not_before = ?, not_after = ?, asked = NULL, fault = NULL WHERE name = ?').run(
    chain,
    key,
    notBefore,
    notAfter,
    name,
  )
}

export function dropDomain(job: string): void {
  sql('DELETE FROM domain WHERE job = ?').run(job)
}

export type KeptAccount = { readonly url: string; readonly key: Buffer }

export function findAccount(directory: string): KeptAccount | null {
  return sql<[string], KeptAccount>('SELECT url, key FROM authority_account WHERE directory = ?').get(directory) ?? null
}

export function keepAccount(directory: string, { url, key }: KeptAccount): void {
  sql('INSERT OR REPLACE INTO authority_account (directory, url, key) VALUES (?, ?, ?)').run(directory, url, key)
}
