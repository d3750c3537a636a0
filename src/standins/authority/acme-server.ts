import 'reflect-metadata'
import { randomBytes } from 'node:crypto'
import { createServer, type Server } from 'node:https'
import type { IncomingMessage, ServerResponse } from 'node:http'
import * as x509 from '@peculiar/x509'
import * as v from 'valibot'
import type { Issuer } from './issuer'
import { AcmeError, readSigned, thumbprint, type Jwk } from './signed'
import { byDns, byHttp, checkCaa, type Looking } from './validate'

type Challenge = { type: 'http-01' | 'dns-01'; token: string; status: 'pending' | 'valid' | 'invalid'; error?: object }
type Authorization = { name: string; account: string; status: 'pending' | 'valid' | 'invalid'; expires: string; challenges: Challenge[] }
type Order = {
  account: string
  names: string[]
  authorizations: string[]
  status: string
  expires: string
  certificate?: string
  error?: object
}

const DAY_MS = 86_400_000
const MOST_BODY = 128 * 1024
const nameSchema = v.pipe(v.string(), v.regex(/^[a-z0-9.-]{1,253}$/))
const orderSchema = v.object({
  identifiers: v.pipe(v.array(v.object({ type: v.literal('dns'), value: nameSchema })), v.minLength(1), v.maxLength(100)),
})
const finalizeSchema = v.object({ csr: v.string() })

/** `days`: for how long its certificates are good. */
export type Settings = { readonly origin: string; readonly looking: Looking; readonly days: number }

/** An authority that gives certificates by RFC 8555, for names under an invented top level. What it holds is gone when it ends. */
export function acmeServer(issuer: Issuer, own: { cert: string; key: string }, settings: Settings): Server {
  const authority = new Authority(issuer, settings)
  return createServer(own, (request, response) => {
    authority.answer(request, response).catch((error: unknown) => {
      const { status, type } = error instanceof AcmeError ? error : { status: 500, type: 'serverInternal' }
      if (status === 500) console.error(error)
      authority.reply(response, status, problem(type, error instanceof Error ? error.message : String(error)), {
        'content-type': 'application/problem+json',
      })
    })
  })
}

class Authority {
  private readonly nonces = new Set<string>()
  private readonly accounts = new Map<string, Jwk>()
  private readonly orders = new Map<string, Order>()
  private readonly authorizations = new Map<string, Authorization>()
  private readonly certificates = new Map<string, { account: string; chain: string }>()

  constructor(
    private readonly issuer: Issuer,
    private readonly settings: Settings,
  ) {}

  async answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const [, kind = '', id = '', rest = ''] = (request.url ?? '/').split('/')
    if (kind === 'directory') return this.reply(response, 200, this.directory())
    if (kind === 'nonce') return this.reply(response, request.method === 'HEAD' ? 200 : 204, null)
    if (request.method !== 'POST') throw new AcmeError(405, 'malformed', 'Everything else is asked by POST.')
    const signed = readSigned(await bodyOf(request))
    if (!this.nonces.delete(signed.header.nonce)) throw new AcmeError(400, 'badNonce', 'That nonce was used, or is not ours.')
    if (signed.header.url !== this.settings.origin + (request.url ?? ''))
      throw new AcmeError(401, 'unauthorized', 'Signed for another address.')
    if (kind === 'new-account') {
      const { jwk } = signed.header
      if (!jwk) throw new AcmeError(400, 'malformed', 'A new account comes with its key.')
      signed.check(jwk)
      return this.newAccount(response, jwk)
    }
    const account = signed.header.kid?.replace(`${this.settings.origin}/account/`, '') ?? ''
    const key = this.accounts.get(account)
    if (!key) throw new AcmeError(400, 'accountDoesNotExist', 'There is no such account here.')
    signed.check(key)
    switch (kind) {
      case 'account':
        return this.reply(response, 200, { status: 'valid' })
      case 'new-order':
        return this.newOrder(
          response,
          account,
          v.parse(orderSchema, signed.payload).identifiers.map(({ value }) => value),
        )
      case 'order':
        return rest === 'finalize'
          ? this.finalize(response, account, id, v.parse(finalizeSchema, signed.payload).csr)
          : this.showOrder(response, id, this.mine(this.orders, id, account))
      case 'authorization':
        return this.reply(response, 200, this.shownAuthorization(id, this.mine(this.authorizations, id, account)))
      case 'challenge':
        return this.tryChallenge(response, id, Number(rest), this.mine(this.authorizations, id, account), key)
      case 'certificate':
        return this.reply(response, 200, this.mine(this.certificates, id, account).chain, {
          'content-type': 'application/pem-certificate-chain',
        })
      default:
        throw new AcmeError(404, 'malformed', 'There is nothing here.')
    }
  }

  reply(response: ServerResponse, status: number, body: object | string | null, headers: Record<string, string> = {}): void {
    const nonce = randomBytes(16).toString('base64url')
    this.nonces.add(nonce)
    const text = body === null ? '' : typeof body === 'string' ? body : JSON.stringify(body)
    response
      .writeHead(status, {
        'content-type': 'application/json',
        'replay-nonce': nonce,
        'cache-control': 'no-store',
        link: this.link(),
        ...headers,
      })
      .end(text)
  }

  private link(): string {
    return `<${this.settings.origin}/directory>;rel="index"`
  }

  private directory(): object {
    const at = (what: string): string => `${this.settings.origin}/${what}`
    return {
      newNonce: at('nonce'),
      newAccount: at('new-account'),
      newOrder: at('new-order'),
      revokeCert: at('revoke'),
      keyChange: at('key-change'),
      meta: { caaIdentities: [this.settings.looking.caaName] },
    }
  }

  private mine<T extends { account: string }>(all: ReadonlyMap<string, T>, id: string, account: string): T {
    const found = all.get(id)
    if (found?.account !== account) throw new AcmeError(404, 'malformed', 'There is no such thing of this account.')
    return found
  }

  private newAccount(response: ServerResponse, jwk: Jwk): void {
    const id = thumbprint(jwk)
    const isNew = !this.accounts.has(id)
    this.accounts.set(id, jwk)
    this.reply(response, isNew ? 201 : 200, { status: 'valid' }, { location: `${this.settings.origin}/account/${id}` })
  }

  private newOrder(response: ServerResponse, account: string, names: string[]): void {
    const expires = new Date(Date.now() + 7 * DAY_MS).toISOString()
    const authorizations = names.map((name) => {
      const id = newId()
      const challenge = (type: Challenge['type']): Challenge => ({ type, token: newId(), status: 'pending' })
      this.authorizations.set(id, { name, account, status: 'pending', expires, challenges: [challenge('http-01'), challenge('dns-01')] })
      return id
    })
    const id = newId()
    this.orders.set(id, { account, names, authorizations, status: 'pending', expires })
    this.showOrder(response, id, this.mine(this.orders, id, account), 201)
  }

  private showOrder(response: ServerResponse, id: string, order: Order, status = 200): void {
    const { origin } = this.settings
    this.settle(order)
    const shown = {
      status: order.status,
      expires: order.expires,
      identifiers: order.names.map((value) => ({ type: 'dns', value })),
      authorizations: order.authorizations.map((one) => `${origin}/authorization/${one}`),
      finalize: `${origin}/order/${id}/finalize`,
      ...(order.certificate ? { certificate: `${origin}/certificate/${order.certificate}` } : {}),
    }
    this.reply(response, status, shown, { location: `${origin}/order/${id}` })
  }

  /** An order is ready once each of its names is proved (RFC 8555, 7.1.6). */
  private settle(order: Order): void {
    if (order.status !== 'pending') return
    const states = order.authorizations.map((one) => this.authorizations.get(one)?.status)
    if (states.every((one) => one === 'valid')) order.status = 'ready'
    if (states.includes('invalid')) order.status = 'invalid'
  }

  private shownAuthorization(id: string, { name, status, expires, challenges }: Authorization): object {
    const shown = challenges.map((one, at) => this.shownChallenge(id, at, one))
    return { status, expires, identifier: { type: 'dns', value: name }, challenges: shown }
  }

  private shownChallenge(id: string, at: number, challenge: Challenge): object {
    return { ...challenge, url: `${this.settings.origin}/challenge/${id}/${at}` }
  }

  private async tryChallenge(response: ServerResponse, id: string, at: number, authorization: Authorization, key: Jwk): Promise<void> {
    const challenge = authorization.challenges[at]
    if (!challenge) throw new AcmeError(404, 'malformed', 'There is no such challenge.')
    if (authorization.status === 'pending') {
      const check = challenge.type === 'http-01' ? byHttp : byDns
      try {
        await check(this.settings.looking, authorization.name, challenge.token, `${challenge.token}.${thumbprint(key)}`)
        await checkCaa(this.settings.looking, authorization.name)
        challenge.status = authorization.status = 'valid'
      } catch (error) {
        challenge.status = authorization.status = 'invalid'
        challenge.error = problem(error instanceof AcmeError ? error.type : 'serverInternal', error instanceof Error ? error.message : '')
      }
    }
    this.reply(response, 200, this.shownChallenge(id, at, challenge), { link: `<${this.settings.origin}/authorization/${id}>;rel="up"` })
  }

  private async finalize(response: ServerResponse, account: string, id: string, csr: string): Promise<void> {
    const order = this.mine(this.orders, id, account)
    this.settle(order)
    if (order.status !== 'ready') throw new AcmeError(403, 'orderNotReady', `The order is ${order.status}.`)
    const request = new x509.Pkcs10CertificateRequest(Buffer.from(csr, 'base64url'))
    const asked =
      request.extensions.find((one) => one instanceof x509.SubjectAlternativeNameExtension)?.names.items.map(({ value }) => value) ?? []
    const isSame = asked.length === order.names.length && order.names.every((name) => asked.includes(name))
    if (!isSame || !(await request.verify())) throw new AcmeError(400, 'badCSR', 'The request is not for the names of the order.')
    const certificate = newId()
    this.certificates.set(certificate, { account, chain: await this.issuer.issue(request, order.names, this.settings.days) })
    Object.assign(order, { status: 'valid', certificate })
    this.showOrder(response, id, order)
  }
}

function newId(): string {
  return randomBytes(18).toString('base64url')
}

function problem(type: string, detail: string): object {
  return { type: `urn:ietf:params:acme:error:${type}`, detail }
}

async function bodyOf(request: IncomingMessage): Promise<string> {
  const parts: Buffer[] = []
  let bytes = 0
  for await (const part of request as AsyncIterable<Buffer>) {
    bytes += part.length
    if (bytes > MOST_BODY) throw new AcmeError(413, 'malformed', 'That is too long.')
    parts.push(part)
  }
  return Buffer.concat(parts).toString('utf8')
}
