import type { Person } from '../../core/people'
import type { StoredLogo } from '../../core/replies'
import { Problem } from '../problems'
import { readBytes } from '../http/read-bytes'
import { makeOneColour } from '../media/one-colour'
import { storeLogo } from '../media/store-logo'
import { MAX_UPLOAD_BYTES, storeUpload } from '../media/store-upload'
import { mayAtAll, mayOnJob } from '../people/access'
import { getJob } from '../store/jobs'

/**
 * One picture sent as the request's body, its name in the query; `as=logo` for one that is made ready as a logo. `job`
 * null before there is one.
 */
export async function importPicture(request: Request, query: URLSearchParams, job: string | null): Promise<StoredLogo> {
  const to = job === null ? null : getJob(job).id
  const name = query.get('name') ?? 'picture'
  const bytes = await readBytes(request, name, MAX_UPLOAD_BYTES)
  return query.get('as') === 'logo' ? storeLogo(to, name, bytes) : { asset: await storeUpload(to, name, bytes), notes: [] }
}

/** A one-colour version of a logo, made on the server and kept. */
export async function makeLogoOneColour(
  job: string | null,
  asset: string,
  colour: string,
  by: Person,
): Promise<{ asset: Awaited<ReturnType<typeof makeOneColour>> }> {
  if ((job === null ? mayAtAll(by) : mayOnJob(by, job)) !== 'edit') throw new Problem('notAllowed')
  return { asset: await makeOneColour(job === null ? null : getJob(job).id, asset, colour) }
}
