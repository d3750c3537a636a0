import { createHash, createPublicKey, verify, type JsonWebKey, type KeyObject } from 'node:crypto'
import * as v from 'valibot'

/** A refusal as RFC 8555, 6.7 has it: `urn:ietf:params:acme:error:<type>`. */
export class AcmeError extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    detail: string,
  ) {
    super(detail)
  }
}

const bodySchema = v.object({ protected: v.string(), payload: v.string(), signature: v.string() })
const jwkSchema = v.union([
  v.object({ kty: v.literal('EC'), crv: v.literal('P-256'), x: v.string(), y: v.string() }),
  v.object({ kty: v.literal('RSA'), n: v.string(), e: v.string() }),
])
const headerSchema = v.object({
  alg: v.picklist(['ES256', 'RS256']),
  nonce: v.string(),
  url: v.string(),
  jwk: v.optional(jwkSchema),
  kid: v.optional(v.string()),
})
export type Jwk = v.InferOutput<typeof jwkSchema>
export type Signed = { readonly header: v.InferOutput<typeof headerSchema>; readonly payload: unknown; readonly check: (key: Jwk) => void }

/** Reads a signed request (RFC 7515, 7.2.2; RFC 8555, 6.2); `check` refuses one that a key has not signed. */
export function readSigned(text: string): Signed {
  try {
    const body = v.parse(bodySchema, JSON.parse(text))
    const header = v.parse(headerSchema, JSON.parse(Buffer.from(body.protected, 'base64url').toString('utf8')))
    const payload: unknown = body.payload === '' ? null : JSON.parse(Buffer.from(body.payload, 'base64url').toString('utf8'))
    const check = (jwk: Jwk): void => {
      const key = keyOf(jwk)
      const options = header.alg === 'ES256' ? { key, dsaEncoding: 'ieee-p1363' as const } : key
      const isTrue = verify('sha256', Buffer.from(`${body.protected}.${body.payload}`), options, Buffer.from(body.signature, 'base64url'))
      if (!isTrue) throw new AcmeError(401, 'unauthorized', 'The signature does not fit the key.')
    }
    return { header, payload, check }
  } catch (error) {
    if (error instanceof AcmeError) throw error
    throw new AcmeError(400, 'malformed', 'The request is not signed as it should be.')
  }
}

function keyOf(jwk: Jwk): KeyObject {
  return createPublicKey({ key: jwk as JsonWebKey, format: 'jwk' })
}

/** RFC 7638, 3: the hash of a key's own members in the order of their names. */
export function thumbprint(jwk: Jwk): string {
  const members = jwk.kty === 'EC' ? { crv: jwk.crv, kty: jwk.kty, x: jwk.x, y: jwk.y } : { e: jwk.e, kty: jwk.kty, n: jwk.n }
  return createHash('sha256').update(JSON.stringify(members)).digest('base64url')
}
