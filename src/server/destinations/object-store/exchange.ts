import { Agent as PlainAgent, request as plain, type IncomingMessage } from 'node:http'
import { Agent as SecureAgent, request as secure } from 'node:https'
import { once } from 'node:events'

/** The most that is handed to the line at a time, in bytes, so that it is seen that something goes on. */
const PIECE = 65_536
const QUIET_MS = 15_000

export type Question = { readonly method: string; readonly url: string; readonly headers: Readonly<Record<string, string>> }
export type Answer = { readonly status: number; readonly body: Buffer }
export type Exchange = { readonly ask: (question: Question, content: Buffer) => Promise<Answer>; readonly close: () => void }

/**
 * Asks over HTTP, on connections that are kept; `alive` is called with every piece that goes or comes. A question ends when nothing
 * has moved for a while, not when it takes long.
 */
export function exchange(isSecure: boolean, alive: () => void): Exchange {
  const agent = isSecure ? new SecureAgent({ keepAlive: true }) : new PlainAgent({ keepAlive: true })
  const ask = async ({ method, url, headers }: Question, content: Buffer): Promise<Answer> => {
    const request = (isSecure ? secure : plain)(url, { method, agent, headers: { ...headers, 'content-length': String(content.length) } })
    request.setTimeout(QUIET_MS, () => request.destroy(new DOMException('Nothing happened', 'TimeoutError')))
    // What breaks once it has answered is of no matter any more.
    request.on('error', () => undefined)
    const answered = once(request, 'response') as Promise<[IncomingMessage]>
    // A store may refuse, and hang up, before all of it has come: what it says counts then.
    void sendPieces(request, content, alive).catch(() => undefined)
    const [response] = await answered
    const parts: Buffer[] = []
    for await (const part of response as AsyncIterable<Buffer>) {
      parts.push(part)
      alive()
    }
    return { status: response.statusCode ?? 0, body: Buffer.concat(parts) }
  }
  return { ask, close: () => agent.destroy() }
}

async function sendPieces(request: ReturnType<typeof plain>, content: Buffer, alive: () => void): Promise<void> {
  for (let from = 0; from < content.length; from += PIECE) {
    const isThrough = request.write(content.subarray(from, from + PIECE))
    if (!isThrough) await once(request, 'drain')
    alive()
  }
  request.end()
}
