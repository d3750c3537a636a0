import { isAsLeft, NOBODY_KNOWS, planFiles, straightAway, WAITING_FOLDER, waitingFiles, type Manifest } from '../../../core/release'
import { own } from '../../../core/own'
import { hashOf } from '../../files/blobs'
import { DestinationError, type Adapter, type Delivery } from '../destination'
import { connected } from './connection'
import type { AlikeFile, OpenServer } from './file-server'
import { NOTHING_SENT, type SentContents } from './sent-contents'
import { makeFolders, putInPlace, tidy } from './put-in-place'
import { NOBODY, standingAfter, standingOn, type Opened, type Sent, type Standing } from './standing'

/** A file that is to be sent: its path, what it is called while it waits, and whether it goes straight to its place instead. */
type Coming = { readonly path: string; readonly name: string; readonly hash: string; readonly bytes: number; readonly isStraight: boolean }
/** A release that is to stand there: its files that are to be sent, and how it stood there before. */
type Begun = {
  readonly release: string
  readonly manifest: Manifest
  readonly files: readonly Coming[]
  readonly standing: Standing
}
type Options = {
  /** Files can be marked as leading on. */
  readonly canLeadOn?: boolean
  readonly kept?: SentContents
}

/**
 * A destination on a server that only takes files. Content is sent into a folder of ours and waits there until all of it has come; then
 * each file is put into place by one step of its own. A site's address is where visitors find the folder, so it has one.
 */
export function fileServerAdapter(kind: string, open: OpenServer, { canLeadOn = false, kept = NOTHING_SENT }: Options = {}): Adapter {
  const on = connected(open, kept)
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
      on(options, async ({ ownList }) => {
        const list = await ownList.find()
        return list && { owner: list.owner, release: list.coming ? null : list.release }
      }),
    claim: (_, owner, options) =>
      on(options, async ({ server, ownList }) => {
        const list = await ownList.find()
        if (list && list.owner !== owner) throw new DestinationError('taken', 'another site is published into this folder')
        if (list) return
        await server.makeFolder(WAITING_FOLDER)
        await ownList.write({ ...NOBODY, owner })
      }),
    deliver: (_, release, manifest, options) =>
      on(options, async (opened) => {
        const found = await standingOn(opened)
        await opened.server.makeFolder(WAITING_FOLDER)
        const now = await settled(opened, found)
        const { send, inTheWay } = planFiles(manifest, now)
        if (inTheWay.length > 0) throw new DestinationError('inTheWay', inTheWay.join(', '))
        const files = filesAt(manifest, send, straightAway(send, now.list.files, now.there))
        return delivery(on, kept, { release, manifest, files, standing: await expecting(opened, now, files) })
      }),
    redirect: async () => undefined,
    files: {
      look: (_, options) => on(options, async (opened) => standingOn(opened).then(({ ours, kept, there }) => ({ ours, kept, there }))),
      adopt: (_, owner, paths, options) =>
        on(options, async (opened) => {
          const { list, there } = await standingOn(opened)
          const files = paths.flatMap((path) =>
            there.has(path) ? [[path, { hash: NOBODY_KNOWS, bytes: Math.max(0, there.get(path)?.bytes ?? 0) }] as const] : [],
          )
          await opened.server.makeFolder(WAITING_FOLDER)
          await opened.ownList.write({ ...list, owner, files: { ...list.files, ...Object.fromEntries(files) } })
        }),
    },
  }
}

function delivery(on: ReturnType<typeof connected>, kept: SentContents, { release, manifest, files, standing }: Begun): Delivery {
  const send = byHash(files)
  const sent: Sent = { waiting: new Map(), placed: new Map() }
  /** Putting it into place was begun, and may have come any far. */
  let isBegun = false
  const isHere = ({ name, bytes, isStraight }: Coming): boolean => !isStraight && standing.waiting.get(name)?.bytes === bytes
  return {
    missing: [...new Set(files.filter((file) => !isHere(file)).map(({ hash }) => hash))],
    send: (hash, content, options) =>
      on(options, async ({ server }) => {
        if (hashOf(content) !== hash) throw new DestinationError('refused', 'the content is not what its hash says')
        for (const { path, name, isStraight } of send.get(hash) ?? []) {
          const at = isStraight
            ? await server.write(path, content)
            : await server.write(`${WAITING_FOLDER}/${name}`, content, olderAt(path, standing, kept))
          ;(isStraight ? sent.placed : sent.waiting).set(isStraight ? path : name, { bytes: content.length, at })
        }
      }),
    activate: (onPlaced, options) =>
      on(options, async (opened) => {
        const now = isBegun ? moved(await standingOn(opened), files, sent) : await standingAfter(opened, standing, sent)
        const isThere = now.list.release === release && !now.list.coming
        const left = planFiles(manifest, now).send
        const isMissing = filesAt(manifest, left).some(({ name, bytes }) => now.waiting.get(name)?.bytes !== bytes)
        if (isMissing) throw new DestinationError('refused', 'not all of it was sent')
        if (isThere && left.length === 0) return tidy(opened.server)
        isBegun = true
        await putInPlace(opened, now, release, manifest, onPlaced)
      }),
  }
}

/** What now comes may wait under the name of something that was put into place before a line broke: that is noted first. */
async function settled({ ownList }: Opened, standing: Standing): Promise<Standing> {
  const { list, ours } = standing
  if (!list.coming) return standing
  const now = { ...list, release: null, files: ours, coming: null }
  await ownList.write(now)
  return { ...standing, list: now }
}

function filesAt(manifest: Manifest, paths: readonly string[], straight: readonly string[] = []): readonly Coming[] {
  const files = waitingFiles(manifest)
  const goesStraight = new Set(straight)
  return paths.flatMap((path) => {
    const file = files.get(path)
    return file ? [{ ...file, path, isStraight: goesStraight.has(path) }] : []
  })
}

/** What was moved before the line broke without the list saying so is known by the time that it was sent at. */
function moved(standing: Standing, coming: readonly Coming[], sent: Sent): Standing {
  const files = coming.flatMap(({ path, name, hash, bytes }) => {
    const [there, mine] = [standing.there.get(path), sent.waiting.get(name)]
    const isMine = mine?.at != null && there?.at === mine.at && there.bytes === bytes
    return isMine && !standing.waiting.has(name) ? [[path, { hash, bytes, at: mine.at }] as const] : []
  })
  return { ...standing, ours: { ...standing.ours, ...Object.fromEntries(files) } }
}

function byHash(files: readonly Coming[]): ReadonlyMap<string, readonly Coming[]> {
  const found = new Map<string, Coming[]>()
  for (const file of files) found.set(file.hash, [...(found.get(file.hash) ?? []), file])
  return found
}

/** What goes straight to its place is noted as ours first, so that whatever comes of it is ours if the line breaks. */
async function expecting({ server, ownList }: Opened, standing: Standing, files: readonly Coming[]): Promise<Standing> {
  const straight = files.filter(({ isStraight }) => isStraight)
  if (straight.length === 0) return standing
  const coming = Object.fromEntries(straight.map(({ path, hash, bytes }) => [path, { hash, bytes }]))
  const { list, ours, there } = standing
  const now = { ...list, kept: { ...list.kept, ...coming } }
  await ownList.write(now)
  await makeFolders(server, Object.keys(coming), there)
  return { ...standing, list: now, kept: now.kept, ours: { ...ours, ...coming } }
}

/** What stands at a path now, where that is as we left it and we still have it. */
function olderAt(path: string, { ours, there }: Standing, { contentOf }: SentContents): AlikeFile | null {
  const [mine, file] = [own(ours, path), there.get(path)]
  if (mine?.at === undefined || file?.at == null || !isAsLeft(mine, file)) return null
  const content = contentOf(mine.hash)
  return content && { path, content, at: file.at }
}
