import { own } from '../../core/own'
import * as v from 'valibot'
import { isDeepJson } from '../../core/json-depth'
import { progressReply } from './progress-reply'
import { Problem, PROBLEMS, reportProblem, toReply } from './problems'
import { isOurHost, isOwnRequest } from './hosts'
import { readBody } from './read-bytes'

type Params = Readonly<Record<string, string>>
type Context = { readonly params: Promise<unknown> }
/** What a route's work is given: the address's own parts, its query, and the body as its schema has it. */
export type Asked<B> = { readonly params: Params; readonly query: URLSearchParams; readonly body: B; readonly request: Request }
type Work<B> = (asked: Asked<B>) => unknown

/** The most bytes of JSON that a request may bring. */
const MOST_JSON = 8 * 1024 * 1024

/**
 * A route that is read only: what it returns becomes JSON, or is the reply itself; what it throws becomes its
 * problem's status and sentence.
 */
export function readRoute(work: Work<null>): (request: Request, context?: Context) => Promise<Response> {
  return (request, context) =>
    answer(async () => {
      refuseHost(request)
      return work(await asked(request, context, null))
    })
}

/** A route that changes something: asked for by our own pages only. */
export function writeRoute<T extends v.GenericSchema>(
  schema: T,
  work: Work<v.InferOutput<T>>,
): (request: Request, context?: Context) => Promise<Response> {
  return (request, context) =>
    answer(async () => {
      refuseForeign(request)
      return work(await asked(request, context, await readJson(request, schema)))
    })
}

/** A route that is sent a file: the body is its bytes, read by the work itself. */
export function uploadRoute(work: Work<null>): (request: Request, context?: Context) => Promise<Response> {
  return (request, context) =>
    answer(async () => {
      refuseForeign(request)
      return work(await asked(request, context, null))
    })
}

/** A route of long work, answered in lines of JSON: one for each progress report, the last with the result or the problem. */
export function longRoute<T extends v.GenericSchema, P>(
  schema: T,
  work: (asked: Asked<v.InferOutput<T>>, onProgress: (progress: P) => void) => Promise<unknown>,
): (request: Request, context?: Context) => Promise<Response> {
  return (request, context) =>
    answer(async () => {
      refuseForeign(request)
      const given = await asked(request, context, await readJson(request, schema))
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

async function asked<B>(request: Request, context: Context | undefined, body: B): Promise<Asked<B>> {
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

/** The request's body as the schema's type, or a problem that names what is wrong. */
async function readJson<T extends v.GenericSchema>(request: Request, schema: T): Promise<v.InferOutput<T>> {
  const bytes = await readBody(request, MOST_JSON, () => new Problem('requestTooLong', { limit: MOST_JSON / 1024 / 1024 }))
  const read = v.safeParse(schema, parseJson(bytes.toString('utf8')))
  if (read.success) return read.output
  const issue = read.issues[0]
  throw new Problem('requestWrong', { fault: `${v.getDotPath(issue) ?? 'body'}: ${issue.message}` })
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
