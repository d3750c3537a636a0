import { watchJob } from '@/server/edit-log'
import { problemResponse } from '@/server/http'
import { getJob } from '@/server/jobs'

export const dynamic = 'force-dynamic'

/** Server-sent events (HTML, 9.2): the job's newest revision, each time it changes. */
export async function GET(request: Request, { params }: { params: Promise<{ job: string }> }): Promise<Response> {
  const { job } = await params
  try {
    getJob(job)
  } catch (error) {
    return problemResponse(error)
  }
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string): void => controller.enqueue(encoder.encode(text))
      send(': open\n\n')
      const stop = watchJob(job, (revision) => send(`data: ${revision}\n\n`))
      const beat = setInterval(() => send(': still here\n\n'), 20_000)
      request.signal.addEventListener('abort', () => {
        stop()
        clearInterval(beat)
        controller.close()
      })
    },
  })
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } })
}
