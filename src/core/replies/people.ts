import * as v from 'valibot'
import type { May, Person, Role } from '../people'
import { list, record } from './shared'

const nullable = v.nullable(v.string())
const role = v.picklist(['owner', 'editor', 'reader', 'guest'] satisfies Role[])
const may = v.picklist(['edit', 'read'] satisfies May[])
const person = v.object({ id: v.string(), name: v.string(), email: v.string(), role }) satisfies v.GenericSchema<unknown, Person>

/** One device that somebody is signed in on. */
const sessionLine = v.object({ id: v.string(), device: v.string(), address: v.string(), seenAt: v.string(), isThis: v.boolean() })
export type SessionLine = Readonly<v.InferOutput<typeof sessionLine>>
const passkeyLine = v.object({ id: v.string(), name: v.string(), madeAt: v.string(), usedAt: nullable })
export type PasskeyLine = Readonly<v.InferOutput<typeof passkeyLine>>
/** Somebody, and the single jobs that he was let at. */
const personLine = v.object({ ...person.entries, grants: list(v.object({ job: v.string(), may })) })
export type PersonLine = Readonly<v.InferOutput<typeof personLine>>
/** An invitation that nobody has answered yet. */
const invitationLine = v.object({ id: v.string(), email: v.string(), role, job: nullable, may: v.nullable(may), until: v.string() })
export type InvitationLine = Readonly<v.InferOutput<typeof invitationLine>>
export const invitedSchema = v.object({ token: nullable })
export type Invited = Readonly<v.InferOutput<typeof invitedSchema>>

/** A line of the audit list; `person` is a name. */
const auditRow = v.object({
  number: v.number(),
  at: v.string(),
  person: nullable,
  what: v.string(),
  about: v.string(),
  address: v.string(),
})
export type AuditRow = Readonly<v.InferOutput<typeof auditRow>>
export const auditReplySchema = v.object({ audit: list(auditRow) })
export type AuditReply = Readonly<v.InferOutput<typeof auditReplySchema>>

/** Something kept that is not as it should be, and what was done about it. */
const finding = v.object({
  about: v.picklist(['database', 'job', 'picture', 'font', 'release', 'file']),
  name: v.string(),
  what: v.string(),
  done: v.picklist(['mended', 'set aside', 'left']),
})
export type Finding = Readonly<v.InferOutput<typeof finding>>
export const checkReportSchema = v.object({ at: v.string(), looked: v.number(), findings: list(finding), bytes: v.number() })
export type CheckReport = Readonly<v.InferOutput<typeof checkReportSchema>>

const jobName = v.object({ id: v.string(), name: v.string() })
export type JobName = Readonly<v.InferOutput<typeof jobName>>
/** What an owner sees of everybody, and of what is kept here. */
const peopleView = v.object({
  all: list(personLine),
  invitations: list(invitationLine),
  jobs: list(jobName),
  audit: list(auditRow),
  check: v.nullable(checkReportSchema),
})
export type PeopleView = Readonly<v.InferOutput<typeof peopleView>>
/** What somebody sees of his account; `people` only for an owner. */
export const accountViewSchema = v.object({
  me: person,
  sessions: list(sessionLine),
  passkeys: list(passkeyLine),
  people: v.nullable(peopleView),
})
export type AccountView = Readonly<v.InferOutput<typeof accountViewSchema>>

/** Something that somebody did with a job, in one go. */
const deed = v.object({
  /** The revisions that it began and ended with. */
  first: v.number(),
  last: v.number(),
  at: v.string(),
  who: v.string(),
  deed: v.string(),
  where: v.string(),
  /** The words that it wrote, as many as fit a line. */
  words: v.string(),
})
export type Deed = Readonly<v.InferOutput<typeof deed>>
/** What a job takes on the disk, in bytes: its log and states, and its pictures; with how many changes and releases it has. */
const jobSize = v.object({ rows: v.number(), history: v.number(), pictures: v.number(), releases: v.number() })
export type JobSize = Readonly<v.InferOutput<typeof jobSize>>
/** The longest name of a version, in UTF-16 units. */
export const MAX_VERSION_NAME = 80
/** A state of a site that somebody gave a name, so that it is found again. */
const namedVersion = v.object({ revision: v.number(), name: v.string(), at: v.string() })
export type NamedVersion = Readonly<v.InferOutput<typeof namedVersion>>
/** The states that have a name, the newest first. */
export const namedVersionsSchema = v.object({ versions: list(namedVersion) })
export type NamedVersions = Readonly<v.InferOutput<typeof namedVersionsSchema>>
/** A page of a job's activity, newest first. */
export const activitySchema = v.object({ ...namedVersionsSchema.entries, deeds: list(deed), isAll: v.boolean(), size: jobSize })
export type Activity = Readonly<v.InferOutput<typeof activitySchema>>

/** What a ceremony of the browser is begun with (Web Authentication, 5.4 and 5.5): its challenge, and all else as the browser takes it. */
export const passkeyOptions = <T extends { readonly challenge: string }>() => record<T>()
