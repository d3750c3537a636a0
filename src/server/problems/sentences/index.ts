import { DOMAINS } from './domains'
import { FILES } from './files'
import { JOBS } from './jobs'
import { PEOPLE } from './people'
import { PUBLISHING } from './publishing'
import { REQUESTS } from './requests'
import { STORAGE } from './storage'

/** Everything that the server can refuse or fail at. */
export const PROBLEMS = { ...DOMAINS, ...FILES, ...JOBS, ...PEOPLE, ...PUBLISHING, ...REQUESTS, ...STORAGE }

export type ProblemCode = keyof typeof PROBLEMS
export type { Details } from './details'
