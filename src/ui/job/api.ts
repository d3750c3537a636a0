import * as v from 'valibot'
import type { AssetInfo } from '@/core/image'
import type { PackFault } from '@/core/pack'
import type { FileTarget, OwnFont } from '@/core/site'

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

const faultSchema = v.object({ file: v.string(), line: v.number(), fault: v.string() })
const problemSchema = v.object({ problem: v.object({ code: v.string(), sentence: v.string(), faults: v.optional(v.array(faultSchema)) }) })
export const NO_ANSWER = 'Instant Fit does not answer. Your changes are kept on this screen and sent when it is back.'

export async function callApi<T>(url: string, init?: RequestInit): Promise<T> {
  const response = await send(url, init)
  const body: unknown = await response.json().catch(() => null)
  if (!response.ok) throw toApiError(response.status, body)
  return body as T
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
  return v.is(problemSchema, body)
    ? new ApiError(status, body.problem.code, body.problem.sentence, body.problem.faults)
    : new ApiError(status, 'unexpected', `The server answered with status ${status}. Try again.`)
}

export function postJson<T>(url: string, body: unknown, method = 'POST'): Promise<T> {
  return callApi<T>(url, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
}

/** Sends one picture; `job` null while the job is still being made. */
export async function uploadPicture(job: string | null, file: File): Promise<AssetInfo> {
  const url = `${job ? `/api/jobs/${job}` : '/api'}/assets?name=${encodeURIComponent(file.name)}`
  return (await callApi<{ asset: AssetInfo }>(url, { method: 'POST', body: file })).asset
}

/** Sends a logo, which is made ready for use, with what is worth knowing of it. */
export function uploadLogo(job: string | null, file: File): Promise<{ asset: AssetInfo; notes: readonly string[] }> {
  return callApi(`${job ? `/api/jobs/${job}` : '/api'}/assets?as=logo&name=${encodeURIComponent(file.name)}`, {
    method: 'POST',
    body: file,
  })
}

/** Sends one file that visitors are to be given. */
export function uploadFile(job: string, file: File): Promise<FileTarget> {
  return callApi(`/api/jobs/${job}/files?name=${encodeURIComponent(file.name)}`, { method: 'POST', body: file })
}

/** Sends one font file of the client's. */
export function uploadFont(job: string, file: File): Promise<{ font: OwnFont; notes: readonly string[] }> {
  return callApi(`/api/jobs/${job}/fonts?name=${encodeURIComponent(file.name)}`, { method: 'POST', body: file })
}

/** Sends a file that may be large; `onSent` is told which share of it is on the other side, from 0 to 1. */
export function sendFile<T>(url: string, file: File, onSent: (share: number) => void): Promise<T> {
  return new Promise((resolve, reject) => {
    // Fetch does not tell how much of a body has gone.
    const request = new XMLHttpRequest()
    request.open('POST', url)
    request.responseType = 'json'
    for (const [name, value] of Object.entries(ownHeaders())) request.setRequestHeader(name, value)
    request.upload.addEventListener('progress', ({ loaded, total }) => onSent(loaded / Math.max(1, total)))
    request.addEventListener('error', () => reject(new ApiError(0, 'noAnswer', NO_ANSWER)))
    request.addEventListener('load', () => {
      const { status, response } = request
      if (status >= 200 && status < 300) resolve(response as T)
      else reject(toApiError(status, response))
    })
    request.send(file)
  })
}

/** Runs a long call whose reply comes as lines of JSON: progress reports, then the result. */
export async function callWithProgress<P, R>(url: string, body: unknown, onProgress: (progress: P) => void): Promise<R> {
  const response = await send(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
  if (!response.ok || !response.body) throw toApiError(response.status, await response.json().catch(() => null))
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read().catch(() => {
      throw new ApiError(0, 'noAnswer', 'The connection broke off. Reload to see whether it was finished.')
    })
    if (done) throw new ApiError(0, 'noAnswer', 'The connection broke off. Reload to see whether it was finished.')
    const lines = (rest + value).split('\n')
    rest = lines.pop() ?? ''
    for (const line of lines) {
      const report = JSON.parse(line) as { progress?: P; result?: R }
      if (report.result !== undefined) return report.result
      if (report.progress !== undefined) onProgress(report.progress)
      else throw toApiError(500, report)
    }
  }
}
