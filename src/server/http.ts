import * as v from 'valibot'
import { Problem, PROBLEMS, toProblem, type ProblemReply } from './problems'

/** Runs a route's work; what it returns becomes JSON, what it throws becomes the problem's status and sentence. */
export async function reply(work: () => unknown): Promise<Response> {
  try {
    return Response.json((await work()) ?? {})
  } catch (error) {
    return problemResponse(error)
  }
}

export function problemResponse(error: unknown): Response {
  const problem = report(error)
  return Response.json(toReply(problem), { status: PROBLEMS[problem.code].status })
}

export function toReply(problem: Problem): ProblemReply {
  return { problem: { code: problem.code, sentence: problem.message, ...(problem.faults.length > 0 ? { faults: problem.faults } : {}) } }
}

function report(error: unknown): Problem {
  const problem = toProblem(error)
  if (problem.code === 'unexpected') console.error(error)
  return problem
}

/** The request's body as the schema's type, or a problem that names what is wrong. */
export async function readBody<T extends v.GenericSchema>(request: Request, schema: T): Promise<v.InferOutput<T>> {
  const body: unknown = await request.json().catch(() => { throw new Problem('requestWrong', { fault: 'it is not JSON' }) })
  const read = v.safeParse(schema, body)
  if (read.success) return read.output
  const issue = read.issues[0]
  throw new Problem('requestWrong', { fault: `${v.getDotPath(issue) ?? 'body'}: ${issue.message}` })
}

/** Refuses a change that another site's page asks for: our own pages send our own origin, or none. */
export function refuseForeign(request: Request): void {
  const site = request.headers.get('sec-fetch-site')
  if (site && site !== 'same-origin' && site !== 'none') throw new Problem('requestWrong', { fault: 'it comes from another site' })
}

/**
 * A reply in lines of JSON: one for each progress report, the last one with the result or the problem. What began goes on
 * to its end even when the screen goes away.
 */
export function replyWithProgress<P>(work: (onProgress: (progress: P) => void) => Promise<unknown>): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      let open = true
      const send = (line: unknown): void => {
        if (!open) return
        try {
          controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`))
        } catch {
          open = false // The screen is gone; the work is not.
        }
      }
      try {
        send({ result: await work((progress) => send({ progress })) })
      } catch (error) {
        send(toReply(report(error)))
      }
      if (open) controller.close()
    },
  })
  return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store', 'x-accel-buffering': 'no' } })
}
