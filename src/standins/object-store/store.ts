import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { buffer } from 'node:stream/consumers'
import { Objects } from './objects'
import { refusalOf, type Refused, type StoreKey } from './signature'

export type ObjectStoreStandIn = {
  readonly folder: string
  readonly bucket: string
  readonly key: StoreKey
  /** In bytes; writing fails where it is reached. */
  readonly quota?: number
  /** How far its clock is off, in milliseconds. */
  readonly clockOff?: number
}

const MOST = 1000
/** Where a site in front of the bucket leads on from an object. */
export const LEADS_ON = 'x-amz-website-redirect-location'
const KEPT_HEADERS = new Set(['content-type', 'cache-control', LEADS_ON])
type Fault = Refused | 'NoSuchBucket' | 'NoSuchKey' | 'QuotaExceeded' | 'MethodNotAllowed' | 'InvalidArgument' | 'InternalError'
const STATUS: Readonly<Record<Fault, number>> = {
  AccessDenied: 403,
  InvalidAccessKeyId: 403,
  RequestTimeTooSkewed: 403,
  SignatureDoesNotMatch: 403,
  QuotaExceeded: 403,
  NoSuchBucket: 404,
  NoSuchKey: 404,
  MethodNotAllowed: 405,
  InvalidArgument: 400,
  InternalError: 500,
}

class Refusal extends Error {
  constructor(readonly fault: Fault) {
    super(fault)
  }
}

/**
 * An object store, with one bucket and one key: as much of the S3 protocol (Amazon S3, API Reference) as listing, reading, writing,
 * copying and removing objects is. Whoever has no key may read single objects.
 */
export function objectStoreStandIn(options: ObjectStoreStandIn): Server {
  const objects = new Objects(options.folder)
  return createServer((request, response) => {
    answer(options, objects, request, response).catch((error: unknown) => {
      const fault = error instanceof Refusal ? error.fault : 'InternalError'
      request.resume()
      xml(response, STATUS[fault], `<Error><Code>${fault}</Code><Message>Refused</Message></Error>`)
    })
  })
}

async function answer(
  { bucket, key: own, quota = Infinity, clockOff = 0 }: ObjectStoreStandIn,
  objects: Objects,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  const { method = '', url = '' } = request
  const headers = headersOf(request)
  const { pathname, searchParams } = new URL(url, 'http://any')
  const [, asked = '', key = ''] = /^\/([^/]*)\/?(.*)$/s.exec(pathname) ?? []
  const isPublic = method === 'GET' && key !== '' && !headers.has('authorization')
  const refused = isPublic ? null : refusalOf({ method, url, headers }, own, Date.now() + clockOff)
  if (refused !== null) throw new Refusal(refused)
  if (asked !== bucket) throw new Refusal('NoSuchBucket')
  const name = decodeURIComponent(key)
  switch (method) {
    case 'GET':
      return name === '' ? list(objects, searchParams, response) : give(objects, name, response)
    case 'PUT':
      return put(objects, name, quota, request, response)
    case 'DELETE':
      objects.remove(name)
      return void response.writeHead(204).end()
    default:
      throw new Refusal('MethodNotAllowed')
  }
}

function list(objects: Objects, query: URLSearchParams, response: ServerResponse): void {
  const after = Buffer.from(query.get('continuation-token') ?? '', 'base64url').toString('utf8')
  const [prefix, delimiter] = [query.get('prefix') ?? '', query.get('delimiter') ?? '']
  const told = new Map<string, string>()
  for (const { key, bytes } of objects.list(prefix)) {
    // What has the delimiter after the prefix is told by its beginning alone, once.
    const end = delimiter === '' ? -1 : key.indexOf(delimiter, prefix.length)
    const begin = key.slice(0, end + delimiter.length)
    if (end < 0) told.set(key, `<Contents><Key>${marked(key)}</Key><Size>${bytes}</Size></Contents>`)
    else told.set(begin, `<CommonPrefixes><Prefix>${marked(begin)}</Prefix></CommonPrefixes>`)
  }
  const rest = [...told].filter(([name]) => name > after)
  const some = rest.slice(0, MOST)
  const isAll = some.length === rest.length
  const next = isAll ? '' : `<NextContinuationToken>${Buffer.from(some.at(-1)?.[0] ?? '').toString('base64url')}</NextContinuationToken>`
  const lines = some.map(([, line]) => line).join('')
  xml(response, 200, `<ListBucketResult><IsTruncated>${!isAll}</IsTruncated>${next}${lines}</ListBucketResult>`)
}

function give(objects: Objects, name: string, response: ServerResponse): void {
  const kept = objects.find(name)
  if (!kept) throw new Refusal('NoSuchKey')
  response.writeHead(200, { ...kept.headers, 'content-length': kept.bytes }).end(objects.read(kept))
}

async function put(objects: Objects, name: string, quota: number, request: IncomingMessage, response: ServerResponse): Promise<void> {
  const headers = headersOf(request)
  const told = Object.fromEntries([...headers].filter(([header]) => KEPT_HEADERS.has(header)))
  if (!/^(\/|https?:\/\/|$)/.test(told[LEADS_ON] ?? '')) throw new Refusal('InvalidArgument')
  const from = headers.get('x-amz-copy-source')
  if (from === undefined) {
    const content = await buffer(request)
    if (objects.bytes + content.length > quota) throw new Refusal('QuotaExceeded')
    objects.put(name, content, told)
    return void response.writeHead(200).end()
  }
  const kept = objects.find(decodeURIComponent(from).replace(/^\/?[^/]*\//, ''))
  if (!kept) throw new Refusal('NoSuchKey')
  objects.put(name, objects.read(kept), headers.get('x-amz-metadata-directive') === 'REPLACE' ? told : kept.headers)
  xml(response, 200, '<CopyObjectResult></CopyObjectResult>')
}

function headersOf({ headers }: IncomingMessage): ReadonlyMap<string, string> {
  return new Map(Object.entries(headers).map(([name, value]) => [name, String(value)]))
}

function xml(response: ServerResponse, status: number, body: string): void {
  response.writeHead(status, { 'content-type': 'application/xml' }).end(`<?xml version="1.0" encoding="UTF-8"?>\n${body}`)
}

function marked(words: string): string {
  return words.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')
}
