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
export { MAX_POINT, type Deed, type Deeds, type JobSize, type Point } from './deeds'
