import type { Person } from '../../src/core/people'
import type { By } from '../../src/server/people/sessions'

/** Whoever asks in a test, where it does not matter who. */
export const OWNER: Person = { id: 'person:owner', name: 'Mara Quill', email: 'mara@quill.example', role: 'owner' }
export const BY: By = { person: OWNER, whence: { device: null, address: 'a test' } }
