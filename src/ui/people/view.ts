import type { May, Person, Role } from '@/core/people'

export type SessionLine = {
  readonly id: string
  readonly device: string
  readonly address: string
  readonly seenAt: string
  readonly isThis: boolean
}
export type PasskeyLine = { readonly id: string; readonly name: string; readonly madeAt: string; readonly usedAt: string | null }
export type PersonLine = Person & { readonly grants: readonly { readonly job: string; readonly may: May }[] }
export type InvitationLine = {
  readonly id: string
  readonly email: string
  readonly role: Role
  readonly job: string | null
  readonly may: May | null
  readonly until: string
}
export type AuditRow = {
  readonly number: number
  readonly at: string
  readonly person: string | null
  readonly what: string
  readonly about: string
  readonly address: string
}
export type CheckReport = {
  readonly at: string
  readonly looked: number
  readonly findings: readonly { readonly about: string; readonly name: string; readonly what: string; readonly done: string }[]
  readonly bytes: number
}
export type JobName = { readonly id: string; readonly name: string }
export type PeopleView = {
  readonly all: readonly PersonLine[]
  readonly invitations: readonly InvitationLine[]
  readonly jobs: readonly JobName[]
  readonly audit: readonly AuditRow[]
  readonly check: CheckReport | null
}
export type AccountView = {
  readonly me: Person
  readonly sessions: readonly SessionLine[]
  readonly passkeys: readonly PasskeyLine[]
  readonly people: PeopleView | null
}

/** What somebody may do, in words. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'owner: all jobs, and people',
  editor: 'editor: all jobs',
  reader: 'reader: looks at all jobs',
  guest: 'single jobs',
}
