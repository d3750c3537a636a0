import { own } from '../../core/own'
import type { Manifest } from '../../core/release'
import PQueue from 'p-queue'
import type { Published, PublishProgress } from '../../core/replies'
import { isDestinationError, type CalledDelivery, type Destination } from '../destinations/destination'
import { destinationProblem } from '../destinations/to-problem'
import { readBlob } from '../files/blobs'
import { Problem } from '../problems'
import { noticeLater } from '../notices/notices'
import { giveUp, livePublication, noteDone, noteSwitched, type Publication } from '../store/publications'
import type { Release } from '../store/releases'
import { announcePublication } from './publication-events'

/** What a person is told while waiting. */
export type OnProgress = (progress: PublishProgress) => void
export type CarriedOut = Omit<Published, 'origin'>

/**
 * Puts a release on its destination: send, switch, note, send visitors of the old address on. Each step changes nothing
 * when it is made again, so this is also how a publication that was cut off is finished. Until the switch, which is one
 * step at the host, visitors see what they saw before, whatever fails.
 */
export async function carryOut(to: Destination, publication: Publication, release: Release, onProgress: OnProgress): Promise<CarriedOut> {
  const sent = publication.switchedAt === null ? await sendAndSwitch(to, publication, release, onProgress) : { sentFiles: 0, sentBytes: 0 }
  const notSentOn = await sendVisitorsOn(to, publication)
  if (notSentOn === null) noteDone(publication.id)
  return { ...sent, notSentOn }
}

type Sent = Pick<CarriedOut, 'sentFiles' | 'sentBytes'>

async function sendAndSwitch(to: Destination, publication: Publication, release: Release, onProgress: OnProgress): Promise<Sent> {
  const { id, address } = publication
  let sent: Sent
  let delivery: CalledDelivery
  try {
    await to.claim(address, publication.job)
    delivery = await to.deliver(address, release.id, release.manifest)
    sent = await sendAll(to, release, delivery, onProgress)
    onProgress({ step: 'switching', done: 0, total: 1 })
  } catch (error) {
    giveUp(id, error instanceof Error ? error.message : String(error))
    throw destinationProblem(error, to, address)
  }
  await switchTo(to, delivery, publication, onProgress)
  const was = livePublication(publication.job, publication.destination)
  noteSwitched(publication)
  announcePublication(publication.job)
  noticeLater(to, publication, was)
  return sent
}

/** A switch whose answer was lost may have been made: the host is asked before it is taken for failed. */
async function switchTo(
  to: Destination,
  delivery: CalledDelivery,
  { id, address, release }: Publication,
  onProgress: OnProgress,
): Promise<void> {
  try {
    await delivery.activate((done, total) => onProgress({ step: 'switching', done, total }))
  } catch (error) {
    const site = await to.find(address).catch(() => undefined)
    if (site?.release === release) return
    // Where the host does not say, it stays open, and is asked again later.
    if (site !== undefined) giveUp(id, error instanceof Error ? error.message : String(error))
    const seen =
      site === undefined ? 'Whether visitors were switched is not known yet; it is found out when the host answers again.' : undefined
    throw destinationProblem(error, to, address, seen)
  }
}

async function sendVisitorsOn(to: Destination, { address, movedFrom }: Publication): Promise<string | null> {
  if (movedFrom === null || movedFrom === address || !to.capabilities.canRedirect) return null
  try {
    await to.redirect(movedFrom, address)
    return null
  } catch (error) {
    if (isDestinationError(error)) return movedFrom
    throw error
  }
}

async function sendAll(
  to: Destination,
  { manifest }: Release,
  { missing: hashes, send: sendTo }: CalledDelivery,
  onProgress: OnProgress,
): Promise<Sent> {
  const files = filesOf(manifest)
  // Where content is kept by its hash it travels once, however many files have it.
  const timesOf = (hash: string): number => (to.capabilities.keepsContent ? 1 : (files.get(hash)?.count ?? 0))
  const total = hashes.reduce((sum, hash) => sum + (files.get(hash)?.bytes ?? 0) * timesOf(hash), 0)
  const queue = new PQueue({ concurrency: 4 })
  let done = 0
  let bytes = 0
  const tell = (): void => onProgress({ step: 'sending', done, total: hashes.length, bytes: [bytes, total] })
  const send = async (hash: string): Promise<void> => {
    const content = readBlob(hash)
    if (!content)
      throw new Problem('contentGone', { path: Object.keys(manifest).find((path) => own(manifest, path)?.hash === hash) ?? hash })
    await sendTo(hash, content)
    done++
    bytes += content.length * timesOf(hash)
    tell()
  }
  tell()
  try {
    await Promise.all(hashes.map((hash) => queue.add(() => send(hash))))
  } catch (error) {
    // After the first that fails no other is begun, and what was begun has ended.
    queue.clear()
    await queue.onIdle()
    throw error
  }
  return { sentFiles: hashes.reduce((sum, hash) => sum + timesOf(hash), 0), sentBytes: bytes }
}

/** Each content of a release, by its hash: its size in bytes, and how many files have it. */
function filesOf(manifest: Manifest): ReadonlyMap<string, { readonly bytes: number; readonly count: number }> {
  const files = new Map<string, { readonly bytes: number; readonly count: number }>()
  for (const { hash, bytes } of Object.values(manifest)) files.set(hash, { bytes, count: (files.get(hash)?.count ?? 0) + 1 })
  return files
}
