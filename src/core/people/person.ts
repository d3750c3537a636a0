/** What somebody may do with all jobs of an installation. A guest sees the jobs alone that he was invited to. */
export type Role = 'owner' | 'editor' | 'reader' | 'guest'
/** What somebody may do with one job. */
export type May = 'edit' | 'read'
export type Grant = { readonly job: string; readonly may: May }

/** Somebody who can sign in. Ids begin with `person:`, which no name did that a browser gave itself before there were accounts. */
export type Person = { readonly id: string; readonly name: string; readonly email: string; readonly role: Role }

/** Whether somebody makes, changes and publishes any job. */
export function mayEditJobs({ role }: Pick<Person, 'role'>): boolean {
  return role === 'owner' || role === 'editor'
}
