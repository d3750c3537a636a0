export { mayEditJobs, type Grant, type May, type Person, type Role } from './person'
