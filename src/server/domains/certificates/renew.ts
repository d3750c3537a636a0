import { kept } from '../../files/kept'
import { reportProblem } from '../../problems'
import { certifiedDomains, noteFault, type KeptDomain } from '../../store/domains'
import { namesOf, putCertificate, renewFrom } from './keep'
import { certificateByHttp } from './order'
import { certificateProblem } from './to-problem'

const HOUR_MS = 3_600_000
/** The longest that is waited between two tries, in ms: while the certificate holds, and once it is over. */
const MOST_MS = { holds: 24 * HOUR_MS, over: 7 * 24 * HOUR_MS } as const

/** When a domain whose certificate was refused is tried again, by name: authorities count what they refuse. */
type Wait = { readonly untilMs: number; readonly afterMs: number }
const waits = (): Map<string, Wait> => kept('renewal-waits', () => new Map())

/** Renews every certificate whose time has come; what is refused is noted with why, and tried again ever less often. */
export async function renewDue(now: Date): Promise<readonly string[]> {
  const renewed: string[] = []
  for (const domain of certifiedDomains()) {
    const from = renewFrom(domain)
    if (from === null || now < from || now.getTime() < (waits().get(domain.name)?.untilMs ?? 0)) continue
    try {
      await putCertificate(domain, await certificateByHttp(namesOf(domain), () => undefined))
      waits().delete(domain.name)
      renewed.push(domain.name)
    } catch (error) {
      const { message } = certificateProblem(error, domain.name)
      noteFault(domain.name, message)
      waits().set(domain.name, nextWait(domain, now))
      console.error(`The certificate of ${domain.name} could not be renewed: ${message}`)
    }
  }
  return renewed
}

function nextWait({ name, notAfter }: KeptDomain, now: Date): Wait {
  const most = Date.parse(notAfter ?? '') > now.getTime() ? MOST_MS.holds : MOST_MS.over
  const afterMs = Math.min(most, (waits().get(name)?.afterMs ?? HOUR_MS / 2) * 2)
  return { untilMs: now.getTime() + afterMs, afterMs }
}

/** Looks for certificates to renew now and every hour. */
export function keepRenewing(): void {
  // A database that cannot be read just now is asked again the next time.
  const look = (): void => void renewDue(new Date()).catch(reportProblem)
  kept('renewing', () => setInterval(look, HOUR_MS).unref())
  look()
}
