const BEAT_MS = 20_000

/** Server-sent events (HTML, 9.2), one for each value that is told, until the asker goes away. */
export function eventStream(request: Request, follow: (tell: (value: string | number) => void) => () => void): Response {
  const encoder = new TextEncoder()
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string): void => controller.enqueue(encoder.encode(text))
      send(': open\n\n')
      const stop = follow((value) => send(`data: ${value}\n\n`))
      const beat = setInterval(() => send(': still here\n\n'), BEAT_MS)
      request.signal.addEventListener('abort', () => {
        stop()
        clearInterval(beat)
        controller.close()
      })
    },
  })
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } })
}
