import { createHash, createHmac, timingSafeEqual } from 'node:crypto'

/** What of a request is signed; `url` as it was sent, headers by their names in small letters. */
export type SignedRequest = {
  readonly method: string
  readonly url: string
  readonly headers: ReadonlyMap<string, string>
}
export type StoreKey = { readonly id: string; readonly secret: string }
export type Refused = 'AccessDenied' | 'InvalidAccessKeyId' | 'RequestTimeTooSkewed' | 'SignatureDoesNotMatch'

const QUARTER_MS = 15 * 60_000

/** What a request says in `Authorization`; signed headers by their names, with a semicolon between. */
const SAID =
  /^AWS4-HMAC-SHA256 Credential=([^/]+)\/(\d{8})\/([^/]+)\/s3\/aws4_request, ?SignedHeaders=([a-z0-9;-]+), ?Signature=([0-9a-f]{64})$/

/**
 * Whether a request is signed by the key: Signature Version 4 in the header `Authorization`, the payload in one piece (Amazon S3, API
 * Reference, “Signature Calculations for the Authorization Header”). Null where it is.
 */
export function refusalOf(request: SignedRequest, key: StoreKey, now: number): Refused | null {
  const [, id, date, region, names = '', signature = ''] = SAID.exec(request.headers.get('authorization') ?? '') ?? []
  if (id === undefined || date === undefined || region === undefined) return 'AccessDenied'
  if (id !== key.id) return 'InvalidAccessKeyId'
  const at = request.headers.get('x-amz-date') ?? ''
  if (Math.abs(now - timeOf(at)) > QUARTER_MS) return 'RequestTimeTooSkewed'
  const words = ['AWS4-HMAC-SHA256', at, `${date}/${region}/s3/aws4_request`, sha256(canonicalRequest(request, names.split(';')))].join(
    '\n',
  )
  const signing = [date, region, 's3', 'aws4_request'].reduce<string | Buffer>((by, part) => hmac(by, part), `AWS4${key.secret}`)
  return timingSafeEqual(hmac(signing, words), Buffer.from(signature, 'hex')) ? null : 'SignatureDoesNotMatch'
}

function canonicalRequest({ method, url, headers }: SignedRequest, names: readonly string[]): string {
  const { pathname, searchParams } = new URL(url, 'http://any')
  const query = [...searchParams].map(([name, value]) => `${escaped(name)}=${escaped(value)}`).sort()
  const lines = names.map((name) => `${name}:${(headers.get(name) ?? '').trim()}\n`)
  return [method, pathname, query.join('&'), lines.join(''), names.join(';'), headers.get('x-amz-content-sha256') ?? ''].join('\n')
}

/** `20130524T000000Z` in milliseconds. */
function timeOf(at: string): number {
  const [, year, month, day, hour, minute, second] = /^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/.exec(at) ?? []
  return Date.UTC(Number(year), Number(month) - 1, Number(day), Number(hour), Number(minute), Number(second))
}

function hmac(key: string | Buffer, words: string): Buffer {
  return createHmac('sha256', key).update(words).digest()
}

function sha256(words: string): string {
  return createHash('sha256').update(words).digest('hex')
}

function escaped(words: string): string {
  return encodeURIComponent(words).replaceAll(/[!'()*]/g, (sign) => `%${sign.charCodeAt(0).toString(16).toUpperCase()}`)
}
