import path from 'node:path'

/** What every browser of these tests begins with: it is signed in. Written once the application runs. */
export const SIGNED_IN = path.join(import.meta.dirname, '..', '..', 'test-results', 'signed-in.json')
