export { mayEditJobs, type Grant, type May, type Person, type Role } from './person'
export type {
  AccountView,
  AuditRow,
  CheckReport,
  Finding,
  InvitationLine,
  JobName,
  PasskeyLine,
  PeopleView,
  PersonLine,
  SessionLine,
} from './account-view'
export type { Deed, Deeds, JobSize } from './deeds'
