import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto'

/** A secret that lets in whoever has it: 256 random bits. */
export function newToken(): string {
  return randomBytes(32).toString('base64url')
}

/** What is kept of a token. It has as much chance in it as the hash has bits, so it needs no salt. */
export function hashOfToken(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}

/**
 * What a page of ours says with each change, so that no other page can ask for one in somebody's name: it is made from the session's own
 * token, which only the browser and we have, and pages of other sites cannot read it (OWASP, “HMAC based double submit”).
 */
export function requestTokenOf(session: string): string {
  return createHmac('sha256', session).update('request').digest('base64url')
}

/** Whether two secrets are the same, in a time that does not tell where they differ. */
export function isSameSecret(a: string, b: string): boolean {
  const [left, right] = [Buffer.from(a), Buffer.from(b)]
  return left.length === right.length && timingSafeEqual(left, right)
}
