import { giveCertificate } from '../../destinations/web-host/own-names'
import { findUnsealed, seal } from '../../files/secrets'
import { keepCertificate, type KeptDomain } from '../../store/domains'
import type { Certificate } from './order'

/** The names that a domain's certificate is made out to: what visitors see, and what leads there. */
export function namesOf({ name, other }: Pick<KeptDomain, 'name' | 'other'>): string[] {
  return other === null ? [name] : [name, other]
}

/** Gives a certificate to the host for each of its names, then keeps it, its key sealed. */
export async function putCertificate(domain: KeptDomain, certificate: Certificate): Promise<void> {
  const { chain, key, notBefore, notAfter } = certificate
  for (const name of namesOf(domain)) await giveCertificate(name, chain, key)
  const sealed = seal(key, `certificate ${domain.name}`)
  keepCertificate(domain.name, { chain, key: sealed, notBefore: notBefore.toISOString(), notAfter: notAfter.toISOString() })
}

/** Gives the host once more what is kept and not to be renewed yet, since it may have begun anew; false where there is nothing to give. */
export async function giveKept(domain: KeptDomain): Promise<boolean> {
  const { chain } = domain
  const from = renewFrom(domain)
  if (chain === null || domain.key === null || from === null || from <= new Date()) return false
  const key = findUnsealed(domain.key, `certificate ${domain.name}`)
  if (key === null) return false
  for (const name of namesOf(domain)) await giveCertificate(name, chain, key)
  return true
}

/** When a certificate is to be renewed: once two thirds of its time are over, so that a month is left to find out why it was refused. */
export function renewFrom({ notBefore, notAfter }: Pick<KeptDomain, 'notBefore' | 'notAfter'>): Date | null {
  if (notBefore === null || notAfter === null) return null
  const [from, until] = [Date.parse(notBefore), Date.parse(notAfter)]
  return new Date(from + ((until - from) * 2) / 3)
}
