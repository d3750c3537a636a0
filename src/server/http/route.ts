import { own } from '../../core/own'
import * as v from 'valibot'
import { isDeepJson } from '../../core/json-depth'
import { progressReply } from './progress-reply'
import { Problem, PROBLEMS, reportProblem, toReply } from '../problems'
import { mayAtAll, mayOnJob } from '../people/access'
import { isReadOnly } from '../store/db'
import { isOurHost, isOwnRequest } from './hosts'
import { readBody } from './read-bytes'
import { saysToken, whoAsks, type Asking } from './who-asks'

type Params = Readonly<Record<string, string>>
type Route = (request: Request, context?: Context) => Promise<Response>
type Context = { readonly params: Promise<unknown> }
/** What a route's work is given: the address's own parts, its query, and the body as its schema has it. */
export type AskedBy<B> = { readonly params: Params; readonly query: URLSearchParams; readonly body: B; readonly request: Request }
/** The same, and who asks, who may. */
export type Asked<B> = AskedBy<B> & Asking
type Work<B> = (asked: Asked<B>) => unknown
/** Who may ask: whoever is signed in, who makes and changes jobs (of a job's own route: that job), or who answers for all. */
type Access = 'person' | 'editor' | 'owner'

/** The most bytes of JSON that a request may bring. */
const MOST_JSON = 8 * 1024 * 1024

/**
 * A route that is read only: what it returns becomes JSON, or is the reply itself; what it throws becomes its
 * problem's status and sentence.
 */
export function readRoute(work: Work<null>, access: Access = 'person'): Route {
  return (request, context) =>
    answer(async () => {
      refuseHost(request)
      const asking = await allowed(request, context, access)
      return work({ ...(await asked(request, context, null)), ...asking })
    })
}

/** A route that changes something: asked for by our own pages only. */
export function writeRoute<T extends v.GenericSchema>(schema: T, work: Work<v.InferOutput<T>>, access: Access = 'editor'): Route {
  return (request, context) =>
    answer(async () => {
      const asking = await allowedToChange(request, context, access)
      return work({ ...(await asked(request, context, await readJson(request, schema))), ...asking })
    })
}

/** A route that is sent a file: the body is its bytes, read by the work itself. */
export function uploadRoute(work: Work<null>): Route {
  return (request, context) =>
    answer(async () => {
      const asking = await allowedToChange(request, context, 'editor')
      return work({ ...(await asked(request, context, null)), ...asking })
    })
}

/** A door: what somebody asks who is not signed in yet. */
export function doorRoute<T extends v.GenericSchema>(schema: T, work: (asked: AskedBy<v.InferOutput<T>>) => unknown): Route {
  return (request, context) =>
    answer(async () => {
      refuseForeign(request)
      return work(await asked(request, context, await readJson(request, schema)))
    })
}

/** A route of long work, answered in lines of JSON: one for each progress report, the last with the result or the problem. */
export function longRoute<T extends v.GenericSchema, P>(
  schema: T,
  work: (asked: Asked<v.InferOutput<T>>, onProgress: (progress: P) => void) => Promise<unknown>,
): Route {
  return (request, context) =>
    answer(async () => {
      const asking = await allowedToChange(request, context, 'editor')
      const given = { ...(await asked(request, context, await readJson(request, schema))), ...asking }
      return progressReply<P>((onProgress) => work(given, onProgress))
    })
}

async function answer(work: () => Promise<unknown>): Promise<Response> {
  try {
    const result = await work()
    return result instanceof Response ? result : Response.json(result ?? {})
  } catch (error) {
    const problem = reportProblem(error)
    return Response.json(toReply(problem), { status: PROBLEMS[problem.code].status })
  }
}

async function asked<B>(request: Request, context: Context | undefined, body: B): Promise<AskedBy<B>> {
  return { params: ((await context?.params) ?? {}) as Params, query: new URL(request.url).searchParams, body, request }
}

/** Refuses a request under a name that is not ours; what names no host comes from our own code. */
function refuseHost(request: Request): void {
  const host = request.headers.get('host')
  if (host !== null && !isOurHost(host)) throw new Problem('requestElsewhere')
}

/** Refuses a change that another site's page asks for. */
function refuseForeign(request: Request): void {
  refuseHost(request)
  if (!isOwnRequest(request.headers)) throw new Problem('requestForeign')
}

async function allowedToChange(request: Request, context: Context | undefined, access: Access): Promise<Asking> {
  refuseForeign(request)
  if (isReadOnly()) throw new Problem('onlyToRead')
  const asking = await allowed(request, context, access)
  if (!saysToken(request, asking)) throw new Problem('requestForeign')
  return asking
}

/** Who asks, where he may. A job that somebody may not see is one that is not there. */
async function allowed(request: Request, context: Context | undefined, access: Access): Promise<Asking> {
  const asking = whoAsks(request.headers)
  if (!asking) throw new Problem('signedOut')
  const job = own(((await context?.params) ?? {}) as Params, 'job')
  const may = job === undefined ? mayAtAll(asking.person) : mayOnJob(asking.person, job)
  if (may === null) throw new Problem('jobGone')
  if (access === 'editor' && may !== 'edit') throw new Problem('notAllowed')
  if (access === 'owner' && asking.person.role !== 'owner') throw new Problem('notAllowed')
  return asking
}

/** The request's body as the schema's type, or a problem that names what is wrong. */
async function readJson<T extends v.GenericSchema>(request: Request, schema: T): Promise<v.InferOutput<T>> {
  const bytes = await readBody(request, MOST_JSON, () => new Problem('requestTooLong', { limit: MOST_JSON / 1024 / 1024 }))
  const read = v.safeParse(schema, parseJson(bytes.toString('utf8')))
  if (read.success) return read.output
  const issue = mostTelling(read.issues)
  if (isForPeople(issue)) throw new Problem('valueWrong', { said: issue.message })
  throw new Problem('requestWrong', { fault: `${v.getDotPath(issue) ?? 'body'}: ${issue.message}` })
}

/** Of what is wrong the most particular: where one of several forms was wanted, that of the form that it is most like. */
function mostTelling(issues: readonly [v.BaseIssue<unknown>, ...v.BaseIssue<unknown>[]]): v.BaseIssue<unknown> {
  const within = (issue: v.BaseIssue<unknown>): readonly v.BaseIssue<unknown>[] =>
    issue.issues ? [issue, ...issue.issues.flatMap(within)] : [issue]
  const weight = (issue: v.BaseIssue<unknown>): number => 2 * (issue.path?.length ?? 0) + Number(isForPeople(issue))
  return issues.flatMap(within).reduce((best, issue) => (weight(issue) > weight(best) ? issue : best), issues[0])
}

/** A sentence of ours begins with a capital; what else is said is for programs, and needs the place. */
function isForPeople({ message }: v.BaseIssue<unknown>): boolean {
  return /^\p{Lu}/u.test(message) && !message.startsWith('Invalid ')
}

/** What JSON says; refused where it is none, or where its parts lie deeper in each other than anything of ours. */
function parseJson(text: string): unknown {
  if (isDeepJson(text, MOST_DEPTH)) throw new Problem('requestWrong', { fault: 'its parts lie too deep in each other' })
  try {
    return JSON.parse(text)
  } catch {
    throw new Problem('requestWrong', { fault: 'it is not JSON' })
  }
}

const MOST_DEPTH = 100

/** A part of the address that a route is known by. */
export function param({ params }: { readonly params: Params }, name: string): string {
  return own(params, name) ?? ''
}

/** Whether whoever sent a request may see a job still: his session may have been ended since. */
export function maySee(headers: Headers, job: string): boolean {
  const asking = whoAsks(headers)
  return asking !== null && mayOnJob(asking.person, job) !== null
}
