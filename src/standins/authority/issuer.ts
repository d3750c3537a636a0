import 'reflect-metadata'
import { randomBytes, webcrypto } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import * as x509 from '@peculiar/x509'

x509.cryptoProvider.set(webcrypto as unknown as Crypto)

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const
const ROOT_DAYS = 3650
const DAY_MS = 86_400_000

/** An authority's own certificate and key; whoever is to believe it reads `root.pem`. */
export type Issuer = {
  readonly rootPem: string
  /** A certificate for names, made out to the key of a request (RFC 2986), for some days; with those above it, as PEM. */
  readonly issue: (request: x509.Pkcs10CertificateRequest, names: readonly string[], days: number) => Promise<string>
  /** A certificate and its key for a server of the authority's own. */
  readonly ownServer: (names: readonly string[]) => Promise<{ cert: string; key: string }>
}

/** The issuer that lies in a folder; made when it is first asked for. */
export async function issuerIn(folder: string, name = 'Hedgerow Test Authority'): Promise<Issuer> {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const [certificateFile, keyFile] = [path.join(folder, 'root.pem'), path.join(folder, 'root.key')]
  if (!existsSync(certificateFile)) {
    const keys = await webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify'])
    const made = await x509.X509CertificateGenerator.createSelfSigned({
      name: `CN=${name}`,
      keys,
      signingAlgorithm: ALGORITHM,
      ...lasting(ROOT_DAYS),
      extensions: [
        new x509.BasicConstraintsExtension(true, 0, true),
        new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
        await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      ],
    })
    const pkcs8 = Buffer.from(await webcrypto.subtle.exportKey('pkcs8', keys.privateKey))
    writeFileSync(keyFile, x509.PemConverter.encode(pkcs8, 'PRIVATE KEY'), { mode: 0o600 })
    writeFileSync(certificateFile, made.toString('pem'))
  }
  const root = new x509.X509Certificate(readFileSync(certificateFile, 'utf8'))
  const [pkcs8] = x509.PemConverter.decode(readFileSync(keyFile, 'utf8'))
  const signingKey = await webcrypto.subtle.importKey('pkcs8', pkcs8!, ALGORITHM, false, ['sign'])
  const sign = async (publicKey: x509.PublicKey | webcrypto.CryptoKey, names: readonly string[], days: number): Promise<string> => {
    const made = await x509.X509CertificateGenerator.create({
      subject: '',
      issuer: root.subject,
      serialNumber: `00${randomBytes(15).toString('hex')}`,
      publicKey,
      signingKey,
      signingAlgorithm: ALGORITHM,
      ...lasting(days),
      extensions: [
        new x509.BasicConstraintsExtension(false, undefined, true),
        new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
        new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
        // Where nothing is said of whom it is for, the names count alone, and must (RFC 5280, 4.2.1.6).
        new x509.SubjectAlternativeNameExtension(
          names.map((value) => ({ type: /^[\d.]+$/.test(value) ? ('ip' as const) : ('dns' as const), value })),
          true,
        ),
        await x509.AuthorityKeyIdentifierExtension.create(root),
      ],
    })
    return `${made.toString('pem')}\n${root.toString('pem')}\n`
  }
  return {
    rootPem: root.toString('pem'),
    issue: (request, names, days) => sign(request.publicKey, names, days),
    ownServer: async (names) => {
      const keys = await webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify'])
      const key = x509.PemConverter.encode(Buffer.from(await webcrypto.subtle.exportKey('pkcs8', keys.privateKey)), 'PRIVATE KEY')
      return { cert: await sign(keys.publicKey, names, 90), key }
    },
  }
}

function lasting(days: number): { notBefore: Date; notAfter: Date } {
  const now = Date.now()
  return { notBefore: new Date(now - 60_000), notAfter: new Date(now + days * DAY_MS) }
}
