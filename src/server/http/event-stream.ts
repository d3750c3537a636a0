const BEAT_MS = 20_000

/** Server-sent events (HTML, 9.2), one for each value that is told, until the asker goes away, or may not hear them any more. */
export function eventStream(
  request: Request,
  follow: (tell: (value: string | number) => void) => () => void,
  stillMay: () => boolean,
): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string): void => controller.enqueue(encoder.encode(text))
      send(': open\n\n')
      const stop = follow((value) => send(`data: ${value}\n\n`))
      const end = (): void => {
        request.signal.removeEventListener('abort', end)
        stop()
        clearInterval(beat)
        controller.close()
      }
      const beat = setInterval(() => (stillMay() ? send(': still here\n\n') : end()), BEAT_MS)
      request.signal.addEventListener('abort', end)
    },
  })
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } })
}
