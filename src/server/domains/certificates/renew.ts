import { kept } from '../../files/kept'
import { reportProblem } from '../../http/problems'
import { certifiedDomains, noteFault } from '../../store/domains'
import { namesOf, putCertificate, renewFrom } from './keep'
import { certificateByHttp } from './order'
import { certificateProblem } from './to-problem'

const HOUR_MS = 3_600_000

/** Renews every certificate whose time has come; what is refused is noted with why, and tried again an hour later. */
export async function renewDue(now: Date): Promise<readonly string[]> {
  const renewed: string[] = []
  for (const domain of certifiedDomains()) {
    const from = renewFrom(domain)
    if (from === null || now < from) continue
    try {
      await putCertificate(domain, await certificateByHttp(namesOf(domain), () => undefined))
      renewed.push(domain.name)
    } catch (error) {
      const { message } = certificateProblem(error, domain.name)
      noteFault(domain.name, message)
      console.error(`The certificate of ${domain.name} could not be renewed: ${message}`)
    }
  }
  return renewed
}

/** Looks for certificates to renew now and every hour. */
export function keepRenewing(): void {
  // A database that cannot be read just now is asked again the next time.
  const look = (): void => void renewDue(new Date()).catch(reportProblem)
  kept('renewing', () => setInterval(look, HOUR_MS).unref())
  look()
}
