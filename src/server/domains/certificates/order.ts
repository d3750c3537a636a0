import { crypto, type Authorization, type Client, type Order } from 'acme-client'
import * as v from 'valibot'
import type { DnsChallenge } from '../../../core/domain'
import { hideChallenge, showChallenge } from '../../destinations/web-host/own-names'
import { authorityClient } from './account'

/** A certificate with those that vouch for it, and its key, both as PEM. */
export type Certificate = { readonly chain: string; readonly key: string; readonly notBefore: Date; readonly notAfter: Date }
export type CertificateStep = 'asking' | 'proving' | 'giving'
export type OnStep = (step: CertificateStep) => void

/** What an authority wants to see by DNS before it goes on with an order. */
export const askedSchema = v.strictObject({
  order: v.string(),
  challenges: v.array(v.strictObject({ name: v.string(), value: v.string() })),
})
export type AskedByDns = v.InferOutput<typeof askedSchema>

/** Gets a certificate for names that lead to our host already: it shows what the authority asks for (RFC 8555, 8.3). */
export async function certificateByHttp(names: readonly string[], onStep: OnStep): Promise<Certificate> {
  onStep('asking')
  const client = await authorityClient()
  const order = await client.createOrder({ identifiers: identifiersOf(names) })
  onStep('proving')
  for (const authorization of await client.getAuthorizations(order)) await proveByHttp(client, authorization)
  return given(client, order, names, onStep)
}

async function proveByHttp(client: Client, authorization: Authorization): Promise<void> {
  if (authorization.status === 'valid') return
  const challenge = challengeOf(authorization, 'http-01')
  await showChallenge(challenge.token, await client.getChallengeKeyAuthorization(challenge))
  try {
    await prove(client, authorization, challenge)
  } finally {
    await hideChallenge(challenge.token)
  }
}

/** Has the authority look; what it says of a challenge that failed is said there. */
async function prove(client: Client, authorization: Authorization, challenge: Authorization['challenges'][number]): Promise<void> {
  await client.completeChallenge(challenge)
  await client.waitForValidStatus(challenge)
  await client.waitForValidStatus(authorization)
}

/** Asks for a certificate of names that still lead elsewhere: what is to be shown by DNS first (RFC 8555, 8.4). */
export async function askByDns(names: readonly string[]): Promise<AskedByDns> {
  const client = await authorityClient()
  const order = await client.createOrder({ identifiers: identifiersOf(names) })
  const challenges: DnsChallenge[] = []
  for (const authorization of await client.getAuthorizations(order)) {
    if (authorization.status === 'valid') continue
    const value = await client.getChallengeKeyAuthorization(challengeOf(authorization, 'dns-01'))
    challenges.push({ name: `_acme-challenge.${authorization.identifier.value}`, value })
  }
  return { order: order.url, challenges }
}

/** The same, once that is set. */
export async function certificateByDns(names: readonly string[], asked: AskedByDns, onStep: OnStep): Promise<Certificate> {
  onStep('asking')
  const client = await authorityClient()
  const order = await client.getOrder({ url: asked.order } as Order)
  onStep('proving')
  for (const authorization of await client.getAuthorizations(order)) {
    if (authorization.status === 'valid') continue
    await prove(client, authorization, challengeOf(authorization, 'dns-01'))
  }
  return given(client, order, names, onStep)
}

async function given(client: Client, order: Order, names: readonly string[], onStep: OnStep): Promise<Certificate> {
  onStep('giving')
  // Small, and read by every browser of ten years: P-256.
  const [key, request] = await crypto.createCsr({ altNames: [...names] }, (await crypto.createPrivateEcdsaKey('P-256')).toString())
  const chain = await client.getCertificate(await client.finalizeOrder(order, request))
  const { notBefore, notAfter } = crypto.readCertificateInfo(chain)
  return { chain, key: key.toString(), notBefore, notAfter }
}

function identifiersOf(names: readonly string[]): { type: 'dns'; value: string }[] {
  return names.map((value) => ({ type: 'dns', value }))
}

function challengeOf({ challenges, identifier }: Authorization, type: 'http-01' | 'dns-01'): Authorization['challenges'][number] {
  const found = challenges.find((one) => one.type === type)
  if (!found) throw new Error(`the authority does not take ${type} for ${identifier.value}`)
  return found
}
