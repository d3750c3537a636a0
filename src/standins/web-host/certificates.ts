import { createPrivateKey, randomUUID, X509Certificate } from 'node:crypto'
import { mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { createSecureContext, type SecureContext } from 'node:tls'
import { HostError } from './wire'

export type Certificate = { readonly chain: string; readonly key: string }

/** The certificates of names of somebody's own, a file each that nobody else can read. */
export class Certificates {
  private readonly contexts = new Map<string, SecureContext>()

  constructor(private readonly folder: string) {
    mkdirSync(folder, { recursive: true, mode: 0o700 })
  }

  /** Keeps a certificate for a name that it is made out to, with the key that belongs to it; it is used from the next visitor on. */
  keep(name: string, certificate: Certificate): void {
    const fault = faultOf(name, certificate)
    if (fault !== null) throw new HostError(422, fault)
    const file = this.file(name)
    const part = `${file}.${randomUUID()}`
    writeFileSync(part, JSON.stringify(certificate), { mode: 0o600, flush: true })
    renameSync(part, file)
    this.contexts.delete(name)
  }

  has(name: string): boolean {
    return this.contextOf(name) !== null
  }

  /** What a visitor is shown who asks for a name; null where there is no certificate for it. */
  contextOf(name: string): SecureContext | null {
    const known = this.contexts.get(name)
    if (known) return known
    const kept = this.find(name)
    if (!kept) return null
    const context = createSecureContext({ cert: kept.chain, key: kept.key })
    this.contexts.set(name, context)
    return context
  }

  private find(name: string): Certificate | null {
    try {
      return JSON.parse(readFileSync(this.file(name), 'utf8')) as Certificate
    } catch {
      return null
    }
  }

  private file(name: string): string {
    return path.join(this.folder, `${name}.json`)
  }
}

function faultOf(name: string, { chain, key }: Certificate): string | null {
  try {
    const certificate = new X509Certificate(chain)
    if (!certificate.checkHost(name)) return `the certificate is not made out to ${name}`
    return certificate.checkPrivateKey(createPrivateKey(key)) ? null : 'the key does not belong to the certificate'
  } catch {
    return 'that is no certificate, or no key'
  }
}
