import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { getTemplate, makeDocument } from '../core/pack'
import { siteDocumentSchema, type Brand, type Facts, type SiteDocument } from '../core/site'
import { db } from './db'
import { pack } from './packs'
import { Problem } from './problems'

export type Job = { readonly id: string; readonly createdAt: string; readonly address: string | null }
type JobRow = { id: string; created_at: string; address: string | null }

const toJob = (row: JobRow): Job => ({ id: row.id, createdAt: row.created_at, address: row.address })

/** A new job on a template: revision 0 is its first snapshot. */
export function createJob(template: string, facts: Facts, brand: Brand): Job {
  const document = makeDocument(getTemplate(pack(), template), facts, brand)
  const job: Job = { id: nanoid(12), createdAt: new Date().toISOString(), address: null }
  db().transaction(() => {
    db().prepare('INSERT INTO job (id, created_at) VALUES (?, ?)').run(job.id, job.createdAt)
    db().prepare('INSERT INTO snapshot (job, revision, document) VALUES (?, 0, ?)').run(job.id, JSON.stringify(document))
  })()
  return job
}

export function listJobs(): Job[] {
  return db().prepare<[], JobRow>('SELECT id, created_at, address FROM job ORDER BY created_at, id').all().map(toJob)
}

export function getJob(id: string): Job {
  const row = db().prepare<[string], JobRow>('SELECT id, created_at, address FROM job WHERE id = ?').get(id)
  if (!row) throw new Problem('jobGone')
  return toJob(row)
}

export function findJobByAddress(address: string): Job | null {
  const row = db().prepare<[string], JobRow>('SELECT id, created_at, address FROM job WHERE address = ?').get(address)
  return row ? toJob(row) : null
}

export function setJobAddress(id: string, address: string): void {
  db().prepare('UPDATE job SET address = ? WHERE id = ?').run(address, id)
}

/** The newest snapshot of a job at or before a revision. */
export function findSnapshot(job: string): { readonly revision: number; readonly document: SiteDocument } {
  const row = db().prepare<[string], { revision: number; document: string }>('SELECT revision, document FROM snapshot WHERE job = ? ORDER BY revision DESC LIMIT 1').get(job)
  if (!row) throw new Problem('jobGone')
  return { revision: row.revision, document: v.parse(siteDocumentSchema, JSON.parse(row.document)) }
}

export function writeSnapshot(job: string, revision: number, document: SiteDocument): void {
  db().prepare('INSERT OR IGNORE INTO snapshot (job, revision, document) VALUES (?, ?, ?)').run(job, revision, JSON.stringify(document))
}
