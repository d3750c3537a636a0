/** What authorities are to find under `/.well-known/acme-challenge/`, by token (RFC 8555, 8.3). One that was cut off is asked anew. */
export type Challenges = Map<string, string>

export const CHALLENGE_PATH = '/.well-known/acme-challenge/'
