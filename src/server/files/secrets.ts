import { createCipheriv, createDecipheriv, randomBytes } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { kept } from './kept'
import { madeFolder } from './data-folder'

const KEY_BYTES = 32
const IV_BYTES = 12
const TAG_BYTES = 16

/**
 * What lets us in elsewhere, as it is kept: AES-256-GCM (NIST SP 800-38D) with a nonce of its own, bound to what it is for, so that it
 * cannot be moved to another row. The key lies in a file of its own, apart from the database: whoever has a copy of that alone has
 * nothing.
 */
export function seal(secret: string, purpose: string): Buffer {
  const iv = randomBytes(IV_BYTES)
  const cipher = createCipheriv('aes-256-gcm', key(), iv)
  cipher.setAAD(Buffer.from(purpose))
  const sealed = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()])
  return Buffer.concat([iv, cipher.getAuthTag(), sealed])
}

/** Throws where it was sealed with another key or for another purpose, or was changed since. */
export function unseal(sealed: Buffer, purpose: string): string {
  const decipher = createDecipheriv('aes-256-gcm', key(), sealed.subarray(0, IV_BYTES))
  decipher.setAAD(Buffer.from(purpose))
  decipher.setAuthTag(sealed.subarray(IV_BYTES, IV_BYTES + TAG_BYTES))
  return Buffer.concat([decipher.update(sealed.subarray(IV_BYTES + TAG_BYTES)), decipher.final()]).toString('utf8')
}

/** The same, and null where it cannot be opened here. */
export function findUnsealed(sealed: Buffer, purpose: string): string | null {
  try {
    return unseal(sealed, purpose)
  } catch {
    return null // Sealed on another computer: whoever asks gets what he needs anew.
  }
}

function key(): Buffer {
  return kept('secret-key', () => {
    const file = path.join(/* turbopackIgnore: true */ process.env.INSTANT_FIT_KEYS ?? madeFolder('keys'), 'destinations')
    try {
      writeFileSync(file, randomBytes(KEY_BYTES), { flag: 'wx', mode: 0o600 })
    } catch (error) {
      if (!(error instanceof Error && 'code' in error && error.code === 'EEXIST')) throw error
    }
    const found = readFileSync(file)
    if (found.length !== KEY_BYTES) throw new Error(`${file} is no key of ${KEY_BYTES} bytes`)
    return found
  })
}
