import * as v from 'valibot'
import type { AssetInfo } from '@/core/image'
import type { PackFault } from '@/core/pack'
import {
  problemReplySchema,
  storedFileSchema,
  storedFontSchema,
  storedLogoSchema,
  storedPictureSchema,
  type StoredFont,
  type StoredLogo,
} from '@/core/replies'
import type { FileTarget } from '@/core/site'

/** A refusal or failure from the server, in words a person can act on. `status` 0: the server did not answer. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly faults: readonly PackFault[] = [],
  ) {
    super(message)
    this.name = 'ApiError'
  }
}

export const NO_ANSWER = 'Instant Fit does not answer. Your changes are kept on this screen and sent when it is back.'
const BROKEN_OFF = 'The connection broke off. Reload to see whether it was finished.'

/** What a reply is checked against when it comes in; inside, its type is trusted. */
type Reply<T> = v.GenericSchema<unknown, T>

/** Why something was not done, in a sentence: the server's own, or the one for what nobody foresaw. */
export function sentenceOf(error: unknown, otherwise = 'That could not be done. Try again.'): string {
  return error instanceof ApiError ? error.message : otherwise
}

/** Asks for something. */
export async function getJson<T>(url: string, reply: Reply<T>): Promise<T> {
  return checked(await call(url), reply)
}

/** Changes something that nothing is to be told of in return. */
export async function sendJson(url: string, body: unknown, method: Method = 'POST'): Promise<void> {
  await call(url, jsonOf(body, method))
}

/** Changes something, and brings what came of it. */
export async function askJson<T>(url: string, body: unknown, reply: Reply<T>, method: Method = 'POST'): Promise<T> {
  return checked(await call(url, jsonOf(body, method)), reply)
}

type Method = 'POST' | 'PUT' | 'DELETE'

function jsonOf(body: unknown, method: Method): RequestInit {
  return { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }
}

async function call(url: string, init?: RequestInit): Promise<unknown> {
  const response = await send(url, init)
  const body: unknown = await response.json().catch(() => null)
  if (!response.ok) throw toApiError(response.status, body)
  return body
}

function checked<T>(body: unknown, reply: Reply<T>): T {
  const read = v.safeParse(reply, body)
  if (read.success) return read.output
  const [{ message }] = read.issues
  console.error(`A reply is not as it should be at “${v.getDotPath(read.issues[0]) ?? ''}”: ${message}`)
  throw new ApiError(200, 'unexpected', 'The server answered something else than was asked for. Reload the page.')
}

async function send(url: string, init?: RequestInit): Promise<Response> {
  try {
    return await fetch(url, init?.method ? { ...init, headers: { ...init.headers, ...ownHeaders() } } : init)
  } catch {
    throw new ApiError(0, 'noAnswer', NO_ANSWER)
  }
}

/** What a page of ours says with each change: a word that only our own pages can read, since it lies in a cookie of ours. */
export function ownHeaders(type?: string): Record<string, string> {
  const token = /(?:^|; )(?:__Host-)?instant-fit-request=([\w-]+)/.exec(document.cookie)?.[1] ?? ''
  return { 'x-request-token': token, ...(type ? { 'content-type': type } : {}) }
}

function toApiError(status: number, body: unknown): ApiError {
  return v.is(problemReplySchema, body)
    ? new ApiError(status, body.problem.code, body.problem.sentence, body.problem.faults)
    : new ApiError(status, 'unexpected', `The server answered with status ${status}. Try again.`)
}

/** Sends one picture; `job` null while the job is still being made. */
export async function uploadPicture(job: string | null, file: File): Promise<AssetInfo> {
  const url = `${job ? `/api/jobs/${job}` : '/api'}/assets?name=${encodeURIComponent(file.name)}`
  return (await upload(url, file, storedPictureSchema)).asset
}

/** Sends a logo, which is made ready for use, with what is worth knowing of it. */
export function uploadLogo(job: string | null, file: File): Promise<StoredLogo> {
  return upload(`${job ? `/api/jobs/${job}` : '/api'}/assets?as=logo&name=${encodeURIComponent(file.name)}`, file, storedLogoSchema)
}

/** Sends one file that visitors are to be given. */
export function uploadFile(job: string, file: File): Promise<FileTarget> {
  return upload(`/api/jobs/${job}/files?name=${encodeURIComponent(file.name)}`, file, storedFileSchema)
}

/** Sends one font file of the client's. */
export function uploadFont(job: string, file: File): Promise<StoredFont> {
  return upload(`/api/jobs/${job}/fonts?name=${encodeURIComponent(file.name)}`, file, storedFontSchema)
}

/** Sends a file as it is. */
export async function upload<T>(url: string, file: File, reply: Reply<T>): Promise<T> {
  return checked(await call(url, { method: 'POST', body: file }), reply)
}

/** Sends a file that may be large; `onSent` is told which share of it is on the other side, from 0 to 1. */
export async function sendFile<T>(url: string, file: File, reply: Reply<T>, onSent: (share: number) => void): Promise<T> {
  const body = await new Promise<unknown>((resolve, reject) => {
    // Fetch does not tell how much of a body has gone.
    const request = new XMLHttpRequest()
    request.open('POST', url)
    request.responseType = 'json'
    for (const [name, value] of Object.entries(ownHeaders())) request.setRequestHeader(name, value)
    request.upload.addEventListener('progress', ({ loaded, total }) => onSent(loaded / Math.max(1, total)))
    request.addEventListener('error', () => reject(new ApiError(0, 'noAnswer', NO_ANSWER)))
    request.addEventListener('load', () => {
      const { status, response } = request
      if (status >= 200 && status < 300) resolve(response)
      else reject(toApiError(status, response))
    })
    request.send(file)
  })
  return checked(body, reply)
}

/** What a long call says while it runs, and at its end. */
export type LongReply<P, R> = { readonly progress: Reply<P>; readonly result: Reply<R> }

/** Runs a long call whose reply comes as lines of JSON: progress reports, then the result. */
export async function callWithProgress<P, R>(
  url: string,
  body: unknown,
  { progress, result }: LongReply<P, R>,
  onProgress: (progress: P) => void,
): Promise<R> {
  const response = await send(url, jsonOf(body, 'POST'))
  if (!response.ok || !response.body) throw toApiError(response.status, await response.json().catch(() => null))
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read().catch(() => {
      throw new ApiError(0, 'noAnswer', BROKEN_OFF)
    })
    if (done) throw new ApiError(0, 'noAnswer', BROKEN_OFF)
    const lines = (rest + value).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) {
      const report = v.parse(reportSchema, JSON.parse(line))
      if (report.result !== undefined) return checked(report.result, result)
      if (report.progress === undefined) throw toApiError(500, report)
      onProgress(checked(report.progress, progress))
    }
  }
}
const reportSchema = v.looseObject({ progress: v.optional(v.unknown()), result: v.optional(v.unknown()) })
