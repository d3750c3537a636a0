import { reportProblem, toReply } from '../problems'

/** A reply in lines of JSON. What began goes on to its end even when the screen goes away. */
export function progressReply<P>(work: (onProgress: (progress: P) => void) => Promise<unknown>): Response {
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
        send(toReply(reportProblem(error)))
      }
      if (open) controller.close()
    },
  })
  return new Response(body, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  })
}
