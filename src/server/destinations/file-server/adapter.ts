import { createHash } from 'node:crypto'
import { NOBODY_KNOWS, planFiles, WAITING_FOLDER, waitingFiles, type Manifest, type WaitingFile } from '../../../core/release'
import { DestinationError, isDestinationError, type Adapter, type CallOptions } from '../destination'
import type { FileServer, OpenServer } from './file-server'
import { putInPlace, tidy } from './put-in-place'
import { findList, NOBODY, standingAfter, standingOn, writeList, type Standing } from './standing'

type Told = { readonly release: string; readonly manifest: Manifest; readonly send: readonly WaitingFile[]; readonly standing: Standing }

/**
 * A destination on a server that only takes files. Content is sent into a folder of ours and waits there until all of it has come; then
 * each file is put into place by one step of its own. A site's address is where visitors find the folder, so it has one. `canLeadOn`: files
 * can be marked as leading on.
 */
export function fileServerAdapter(kind: string, open: OpenServer, canLeadOn = false): Adapter {
  const on = connected(open)
  let told: Told | null = null
  return {
    kind,
    capabilities: {
      canSwitchAtomically: false,
      isSeenAtOnce: true,
      canRedirect: false,
      canLeadOn,
      givesAddresses: false,
      keepsContent: false,
    },
    originOf: (address) => address,
    find: (_, options) =>
      on(options, async (server) => {
        const list = await findList(server)
        return list && { owner: list.owner, release: list.coming ? null : list.release }
      }),
    claim: (_, owner, options) =>
      on(options, async (server) => {
        const list = await findList(server)
        if (list && list.owner !== owner) throw new DestinationError('taken', 'another site is published into this folder')
        if (!list) await writeList(server, { ...NOBODY, owner })
      }),
    announce: (_, release, manifest, options) =>
      on(options, async (server) => {
        const standing = await settled(server, await standingOn(server))
        const { waiting } = standing
        const { send, inTheWay } = planFiles(manifest, standing)
        if (inTheWay.length > 0) throw new DestinationError('inTheWay', inTheWay.join(', '))
        const files = filesAt(manifest, send)
        told = { release, manifest, send: files, standing }
        await server.makeFolder(WAITING_FOLDER)
        return [...new Set(files.filter(({ name, bytes }) => waiting.get(name) !== bytes).map(({ hash }) => hash))]
      }),
    send: (hash, content, options) =>
      on(options, async (server) => {
        if (createHash('sha256').update(content).digest('hex') !== hash)
          throw new DestinationError('refused', 'the content is not what its hash says')
        if (!told) throw new DestinationError('refused', 'nothing was announced')
        for (const file of told.send) if (file.hash === hash) await server.write(`${WAITING_FOLDER}/${file.name}`, content)
      }),
    activate: (_, release, onPlaced, options) =>
      on(options, async (server) => {
        if (told?.release !== release) {
          const list = await findList(server)
          if (list?.release === release && !list.coming) return
          throw new DestinationError('refused', 'the release was not announced')
        }
        const { manifest } = told
        const standing = await standingAfter(server, told.standing)
        const isThere = standing.list.release === release && !standing.list.coming
        const { send } = planFiles(manifest, standing)
        const isMissing = filesAt(manifest, send).some(({ name, bytes }) => standing.waiting.get(name) !== bytes)
        if (isMissing) throw new DestinationError('refused', 'not all of it was sent')
        if (isThere && send.length === 0) return tidy(server)
        await putInPlace(server, standing, release, manifest, onPlaced)
      }),
    redirect: async () => undefined,
    files: {
      look: (_, options) => on(options, async (server) => standingOn(server).then(({ ours, kept, there }) => ({ ours, kept, there }))),
      adopt: (_, owner, paths, options) =>
        on(options, async (server) => {
          const { list, there } = await standingOn(server)
          const files = paths.flatMap((path) =>
            there.has(path) ? [[path, { hash: NOBODY_KNOWS, bytes: Math.max(0, there.get(path) ?? 0) }] as const] : [],
          )
          await writeList(server, { ...list, owner, files: { ...list.files, ...Object.fromEntries(files) } })
        }),
    },
  }
}

/** What now comes may wait under the name of something that was put into place before a line broke: that is noted first. */
async function settled(server: FileServer, standing: Standing): Promise<Standing> {
  const { list, ours } = standing
  if (!list.coming) return standing
  const now = { ...list, release: null, files: ours, coming: null }
  await writeList(server, now)
  return { ...standing, list: now }
}

function filesAt(manifest: Manifest, paths: readonly string[]): readonly WaitingFile[] {
  const files = waitingFiles(manifest)
  return paths.flatMap((path) => files.get(path) ?? [])
}

/** Works on one connection for as long as it lasts; one that broke, or on which a call took too long, is made anew the next time. */
function connected(open: OpenServer): <T>(options: CallOptions, work: (server: FileServer) => Promise<T>) => Promise<T> {
  let opened: Promise<FileServer> | null = null
  const calls = new Set<CallOptions>()
  const alive = (): void => calls.forEach((call) => call.alive())
  const drop = (broken: Promise<FileServer>): void => {
    if (opened === broken) opened = null
    void broken.then(
      (server) => server.close(),
      () => undefined,
    )
  }
  return async (options, work) => {
    const mine = (opened ??= open(alive))
    // What could not be opened is no connection, whatever the reason.
    mine.catch(() => drop(mine))
    calls.add(options)
    const late = new Promise<never>((_, refuse) =>
      options.signal.addEventListener('abort', () => refuse(options.signal.reason as Error), { once: true }),
    )
    try {
      return await Promise.race([mine.then((server) => work(server)), late])
    } catch (error) {
      if (!isDestinationError(error) || error.fault === 'down') drop(mine)
      throw error
    } finally {
      calls.delete(options)
    }
  }
}
