import type { Grant, May, Person, Role } from './person'

/** One device that somebody is signed in on. */
export type SessionLine = {
  readonly id: string
  readonly device: string
  readonly address: string
  readonly seenAt: string
  readonly isThis: boolean
}
export type PasskeyLine = { readonly id: string; readonly name: string; readonly madeAt: string; readonly usedAt: string | null }
/** Somebody, and the single jobs that he was let at. */
export type PersonLine = Person & { readonly grants: readonly Grant[] }
/** An invitation that nobody has answered yet. */
export type InvitationLine = {
  readonly id: string
  readonly email: string
  readonly role: Role
  readonly job: string | null
  readonly may: May | null
  readonly until: string
}
/** A line of the audit list; `person` is a name. */
export type AuditRow = {
  readonly number: number
  readonly at: string
  readonly person: string | null
  readonly what: string
  readonly about: string
  readonly address: string
}
/** Something kept that is not as it should be, and what was done about it. */
export type Finding = {
  readonly about: 'database' | 'job' | 'picture' | 'font' | 'release' | 'file'
  readonly name: string
  readonly what: string
  readonly done: 'mended' | 'set aside' | 'left'
}
export type CheckReport = { readonly at: string; readonly looked: number; readonly findings: readonly Finding[]; readonly bytes: number }
export type JobName = { readonly id: string; readonly name: string }
/** What an owner sees of everybody, and of what is kept here. */
export type PeopleView = {
  readonly all: readonly PersonLine[]
  readonly invitations: readonly InvitationLine[]
  readonly jobs: readonly JobName[]
  readonly audit: readonly AuditRow[]
  readonly check: CheckReport | null
}
/** What somebody sees of his account; `people` only for an owner. */
export type AccountView = {
  readonly me: Person
  readonly sessions: readonly SessionLine[]
  readonly passkeys: readonly PasskeyLine[]
  readonly people: PeopleView | null
}
