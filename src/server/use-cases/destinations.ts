import { nanoid } from 'nanoid'
import * as v from 'valibot'
import { sitePathSchema } from '../../core/release'
import type { AddedDestination } from '../../core/replies'
import { isSame } from '../../core/site'
import { forgetDestination, connectionOf } from '../destinations/registry'
import { adapterFor, changedConnectionSchema, connectionSchema, type ChangedConnection, type Connection } from '../destinations/kinds'
import { orProblem } from '../destinations/to-problem'
import { seal } from '../files/secrets'
import { Problem } from '../problems'
import type { By } from '../people/sessions'
import { whereOf } from '../releases/where'
import { noteAudit } from '../store/audit'
import { deleteDestination, findDestination, insertDestination, updateDestination, type DestinationRow } from '../store/destinations'
import { db } from '../store/db'
import { getJob } from '../store/jobs'
import { openPublications } from '../store/publications'
import { dropScheduledFor } from '../store/scheduled'

/** Where visitors find a site: the whole address of a host or of a folder of one, without a query or a name; no slash at its end. */
export const originSchema = v.pipe(
  v.string(),
  v.trim(),
  v.maxLength(300),
  v.check((text) => URL.canParse(text), 'An address begins with http:// or https://, such as https://www.example.com'),
  v.transform((text) => new URL(text)),
  v.check(({ protocol }) => protocol === 'http:' || protocol === 'https:', 'An address begins with http:// or https://'),
  v.check(({ search, hash, username }) => !search && !hash && !username, 'Only where the site stands: nothing with ?, # or @ in it'),
  v.check(({ pathname }) => !/\.[a-z0-9]+$/i.test(pathname), 'Where the site stands, not one of its files'),
  v.transform(({ origin, pathname }) => [origin, ...pathname.split('/').filter((part) => part !== '')].join('/')),
)

export const newDestinationSchema = v.strictObject({
  name: v.pipe(v.string(), v.trim(), v.minLength(1, 'Give it a name'), v.maxLength(80)),
  origin: originSchema,
  connection: connectionSchema,
})
export type NewDestination = v.InferOutput<typeof newDestinationSchema>

/** Adds a destination to a job; what lets us in is sealed before it is kept. */
export function addDestination(job: string, { name, origin, connection }: NewDestination, { person, whence }: By): AddedDestination {
  getJob(job)
  const id = nanoid(12)
  const { kind, settings, secret } = connection
  insertDestination({
    id,
    job,
    kind,
    name,
    origin,
    settings: JSON.stringify(settings),
    secret: secret && seal(JSON.stringify(secret), id),
    seen: adapterFor(connection).capabilities.isSeenAtOnce ? 1 : 0,
  })
  noteAudit({ person: person.id, what: 'destination added', about: origin, address: whence.address })
  return { id }
}

export const changeSchema = v.strictObject({ ...newDestinationSchema.entries, connection: changedConnectionSchema })
export type ChangedDestination = v.InferOutput<typeof changeSchema>

/** Changes how a destination is reached, where visitors find it, or what it is called; its releases stay. */
export function changeDestination(job: string, id: string, changed: ChangedDestination, { person, whence }: By): void {
  const row = keptDestination(job, id)
  if (openPublications(job, id).length > 0) throw new Problem('destinationOpen', { where: `“${row.name}”` })
  const { name, origin } = changed
  const { settings, secret } = wholeConnection(row, changed.connection)
  updateDestination({ ...row, name, origin, settings: JSON.stringify(settings), secret: secret && seal(JSON.stringify(secret), id) })
  forgetDestination(id)
  noteAudit({ person: person.id, what: 'destination changed', about: origin, address: whence.address })
}

/** A destination of a job's own. */
export function keptDestination(job: string, id: string): DestinationRow {
  const row = findDestination(id)
  if (row?.job !== job) throw new Problem('destinationGone')
  return row
}

/** What is changed, with what lets us in: what is kept of that goes to no other server, and to nobody else there. */
export function wholeConnection(row: DestinationRow, changed: ChangedConnection): Connection {
  if (changed.kind !== row.kind) throw new Problem('destinationGone')
  if (changed.secret !== null) return v.parse(connectionSchema, changed)
  const kept = connectionOf(row)
  if (kept.secret === null) return v.parse(connectionSchema, changed)
  if (!isSame(serverOf(kept.settings), serverOf(changed.settings))) throw new Problem('secretWanted')
  return v.parse(connectionSchema, { ...changed, secret: kept.secret })
}

/** By what a server, and who we are there, is known. */
function serverOf(settings: object): readonly unknown[] {
  const said = new Map<string, unknown>(Object.entries(settings))
  return ['host', 'port', 'user', 'isSecure', 'certificate', 'hostKey'].map((name) => said.get(name) ?? null)
}

/** Lets go of a destination: what is there stays there, and is not ours to change any more. */
export function letGoOfDestination(job: string, id: string, { person, whence }: By): void {
  const { to, address } = whereOf(job, id)
  if (to.capabilities.givesAddresses) throw new Problem('destinationGone')
  if (openPublications(job, id).length > 0) throw new Problem('destinationOpen', { where: to.name })
  db().transaction(() => {
    dropScheduledFor(id)
    deleteDestination(id)
  })()
  forgetDestination(id)
  noteAudit({ person: person.id, what: 'destination let go', about: address ?? id, address: whence.address })
}

export const adoptSchema = v.strictObject({ paths: v.pipe(v.array(sitePathSchema), v.minLength(1), v.maxLength(1000)) })

/** Makes files at a destination ours that stand where the site's go, so that publishing replaces them. */
export async function adoptFiles(job: string, id: string, paths: readonly string[]): Promise<void> {
  const { to, address } = whereOf(job, id)
  const { files } = to
  if (!files) throw new Problem('destinationGone')
  await orProblem(to, address ?? '', async () => {
    await to.claim(address ?? '', job)
    await files.adopt(address ?? '', job, paths)
  })
}
