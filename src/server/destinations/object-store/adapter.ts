import { AwsClient } from 'aws4fetch'
import { contentType } from 'mime-types'
import * as v from 'valibot'
import { isHashedName, LIST_FILE, type FilesThere, type FileThere } from '../../../core/release'
import type { Adapter } from '../destination'
import { fileServerAdapter } from '../file-server/adapter'
import type { FileServer, OpenServer } from '../file-server/file-server'
import { isNothingThere, parseXml, storeFault, toStoreError } from './errors'
import { exchange, type Answer } from './exchange'
import type { ObjectStoreSecret, ObjectStoreSettings } from './settings'

/** A bucket of a store that speaks the S3 protocol. It renames nothing: what waited is copied into its place by the store. */
export function objectStoreDestination(settings: ObjectStoreSettings, secret: ObjectStoreSecret): Adapter {
  const open: OpenServer = async (alive) => {
    const store = objectStore(settings, secret, alive)
    // There is no line to open: whether anybody answers, and knows the key, is found out by asking for something.
    await store.read(LIST_FILE)
    return store
  }
  return fileServerAdapter('object-store', open, { canLeadOn: true })
}

const NOTHING = Buffer.alloc(0)

const listSchema = v.object({
  ListBucketResult: v.object({
    // One alone is no list, as the parser has it.
    Contents: v.optional(v.unknown(), []),
    CommonPrefixes: v.optional(v.unknown(), []),
    NextContinuationToken: v.optional(v.string()),
  }),
})
type Listed = v.InferOutput<typeof listSchema>['ListBucketResult']
const asList = (one: unknown): readonly unknown[] => (Array.isArray(one) ? one : [one])
const objectSchema = v.object({ Key: v.string(), Size: v.string() })

/** The bucket, as a server that takes files. */
export function objectStore(settings: ObjectStoreSettings, { keyId, key }: ObjectStoreSecret, alive: () => void): FileServer {
  const { host, port, isSecure, region, bucket, folder } = settings
  const client = new AwsClient({ accessKeyId: keyId, secretAccessKey: key, region, service: 's3', retries: 0 })
  const prefix = folder === '' ? '' : `${folder}/`
  const whole = `${isSecure ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${port}/${bucket}`
  const path = (file: string): string => `/${bucket}/${(prefix + file).split('/').map(escaped).join('/')}`
  const line = exchange(isSecure, alive)
  const ask = async (
    did: string,
    method: string,
    url: string,
    headers: Record<string, string> = {},
    content: Buffer = NOTHING,
  ): Promise<Answer> => {
    const signed = await client.sign(url, { method, headers })
    const answer = await line.ask({ method, url: signed.url, headers: Object.fromEntries(signed.headers) }, content)
    if (answer.status < 300) return answer
    throw toStoreError(answer.status, answer.body.toString('utf8'), did)
  }
  const at = (file: string): string => whole + path(file).slice(bucket.length + 1)
  const remove = async (file: string): Promise<void> => void (await ask(`removing ${file}`, 'DELETE', at(file)))
  const listed = async (wanted: Readonly<Record<string, string>>, token: string | null): Promise<Listed> => {
    const asked = Object.entries({ 'list-type': '2', ...wanted, 'continuation-token': token ?? '' }).filter(([, value]) => value !== '')
    const query = new URLSearchParams(asked).toString().replaceAll('+', '%20')
    const { body } = await ask('listing the bucket', 'GET', `${whole}?${query}`)
    return v.parse(listSchema, parseXml(body.toString('utf8'))).ListBucketResult
  }
  const page = async (begin: string, token: string | null, found: Map<string, FileThere>): Promise<FilesThere> => {
    const { Contents: contents, NextContinuationToken: next } = await listed({ prefix: begin }, token)
    for (const one of asList(contents)) {
      const { Key: name, Size: bytes } = v.parse(objectSchema, one)
      // Some tools put an empty object where others would make a folder.
      if (!name.endsWith('/')) found.set(name.slice(begin.length), { bytes: Number(bytes), at: null })
    }
    return next === undefined ? found : page(begin, next, found)
  }
  /** Objects of the folder itself, and folders in it, without what lies in those. */
  const countIn = async (token: string | null): Promise<number> => {
    const found = await listed({ prefix, delimiter: '/' }, token)
    const here = [found.Contents, found.CommonPrefixes].flatMap(asList).length
    return found.NextContinuationToken === undefined ? here : here + (await countIn(found.NextContinuationToken))
  }
  return {
    list: (under) => page(under === '' ? prefix : `${prefix}${under}/`, null, new Map()),
    timeOf: () => Promise.resolve(null),
    count: () => countIn(null),
    read: async (file) => {
      try {
        return { content: (await ask(`reading ${file}`, 'GET', at(file))).body, at: null }
      } catch (error) {
        if (isNothingThere(error)) return null
        throw error
      }
    },
    write: async (file, content) => {
      await ask(`writing ${file}`, 'PUT', at(file), headersOf(file), content)
      return null
    },
    move: async (from, to, leadsTo) => {
      const headers = {
        ...headersOf(to),
        'x-amz-copy-source': path(from),
        'x-amz-metadata-directive': 'REPLACE',
        // Amazon S3, “Configuring webpage redirects”, from memory: a site of the store's answers with a redirect, others show the page.
        ...(leadsTo !== undefined && { 'x-amz-website-redirect-location': leadsTo }),
      }
      const body = (await ask(`moving to ${to}`, 'PUT', at(to), headers)).body.toString('utf8')
      // A copy that goes wrong after its answer has begun says so in the answer.
      if (storeFault(body)) throw toStoreError(500, body, `moving to ${to}`)
      await remove(from)
    },
    remove,
    makeFolder: async () => undefined,
    removeFolder: async () => false,
    close: line.close,
  }
}

/** How a file is given to visitors: what it is, and how long they may keep it. */
function headersOf(file: string): Record<string, string> {
  return {
    'content-type': contentType(file.split('/').at(-1) ?? '') || 'application/octet-stream',
    'cache-control': isHashedName(file) ? 'public, max-age=31536000, immutable' : 'no-cache',
  }
}

/** A name in an address, as the signature wants it (RFC 3986, 2.3: everything but unreserved characters is escaped). */
function escaped(name: string): string {
  return encodeURIComponent(name).replaceAll(/[!'()*]/g, (sign) => `%${sign.charCodeAt(0).toString(16).toUpperCase()}`)
}
