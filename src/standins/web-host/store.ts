import { createHash, randomUUID } from 'node:crypto'
import {
  createReadStream,
  createWriteStream,
  existsSync,
  linkSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  renameSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
  type ReadStream,
} from 'node:fs'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'
import type { Readable } from 'node:stream'
import type { ByteRange } from './conditional'

export type Manifest = Record<string, { hash: string; bytes: number; leadsTo?: string }>
export type SiteRecord = { owner: string; movedTo: string | null }
export type ReleaseNote = { id: string; manifest: Manifest }

/** A failure with the HTTP status that tells of it. */
export class HostError extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message)
  }
}

const LABEL = /^(?!-)[a-z0-9-]{1,63}(?<!-)$/
const HASH = /^[0-9a-f]{64}$/
const RELEASE = /^[A-Za-z0-9_-]{1,40}$/
const PATH = /^(?!\.)[^/\\\0]+(?:\/(?!\.)[^/\\\0]+)*$/
/** A path of the site or a whole address, in what a header can carry. */
const LEADS_TO = /^(\/(?!\/)|https?:\/\/)[!-~]*$/

/**
 * Sites on disk: `sites/<label>/releases/<id>/…` are the plain files of a release, hard-linked from `blobs/<hash>`, and
 * `sites/<label>/current` points at the one that visitors see. Switching is one rename.
 */
export class SiteStore {
  private readonly rules = new Map<string, ReadonlyMap<string, string>>()

  constructor(
    private readonly folder: string,
    private readonly quotaBytes: number | null,
  ) {
    mkdirSync(path.join(folder, 'blobs'), { recursive: true })
    mkdirSync(path.join(folder, 'sites'), { recursive: true })
  }

  findSite(label: string): SiteRecord | null {
    const file = this.siteFile(label, 'site.json')
    return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as SiteRecord) : null
  }

  /** Gives a free label to an owner; saying it again changes nothing. */
  claim(label: string, owner: string): boolean {
    if (!LABEL.test(label)) throw new HostError(422, 'not a host name')
    const site = this.findSite(label)
    if (site && site.owner !== owner) throw new HostError(409, 'taken')
    mkdirSync(this.siteFile(label, 'releases'), { recursive: true })
    this.writeRecord(label, { owner, movedTo: null })
    return site === null
  }

  /** Sends visitors of a label on to another one of the same owner. */
  move(label: string, to: string): void {
    this.writeRecord(label, { ...this.getSite(label), movedTo: to })
  }

  /** Notes what a release will hold; answers with the content that is not here yet. */
  announce(label: string, note: ReleaseNote): string[] {
    this.getSite(label)
    if (!RELEASE.test(note.id) || Object.keys(note.manifest).some((p) => !PATH.test(p)))
      throw new HostError(422, 'a path or id that cannot be used')
    if (Object.values(note.manifest).some(({ leadsTo }) => leadsTo !== undefined && !LEADS_TO.test(leadsTo)))
      throw new HostError(422, 'an address that cannot be led to')
    writeFileSync(this.siteFile(label, `${note.id}.manifest.json`), JSON.stringify(note.manifest))
    return [...new Set(Object.values(note.manifest).map((f) => f.hash))].filter((hash) => HASH.test(hash) && !existsSync(this.blob(hash)))
  }

  /** Where an address of the release that is live leads on; null where it is a file like any other. */
  leadsOn(label: string, file: string): string | null {
    const id = this.currentRelease(label)
    if (id === null) return null
    const key = `${label} ${id}`
    let rules = this.rules.get(key)
    if (!rules) {
      const manifest = JSON.parse(readFileSync(this.siteFile(label, `${id}.manifest.json`), 'utf8')) as Manifest
      rules = new Map(Object.entries(manifest).flatMap(([from, { leadsTo }]) => (leadsTo === undefined ? [] : [[from, leadsTo]])))
      this.rules.set(key, rules)
    }
    return rules.get(file) ?? null
  }

  /** Keeps content under its hash, once it is all here and is what it claims to be. */
  async receive(hash: string, content: Readable, length: number): Promise<void> {
    if (!HASH.test(hash)) throw new HostError(422, 'not a SHA-256')
    if (this.quotaBytes !== null && this.used() + length > this.quotaBytes) throw new HostError(507, 'no room left')
    const part = path.join(this.folder, 'blobs', `${randomUUID()}.part`)
    try {
      await pipeline(content, createWriteStream(part))
      const found = createHash('sha256').update(readFileSync(part)).digest('hex')
      if (found !== hash) throw new HostError(422, 'the content is not what its hash says')
      renameSync(part, this.blob(hash))
    } catch (error) {
      rmSync(part, { force: true })
      if ((error as NodeJS.ErrnoException).code === 'ENOSPC') throw new HostError(507, 'no room left')
      throw error
    }
  }

  /** Lays the release's files out in a folder of its own, then switches visitors to it in one step. */
  activate(label: string, id: string): void {
    this.getSite(label)
    const noted = this.siteFile(label, `${id}.manifest.json`)
    if (!RELEASE.test(id) || !existsSync(noted)) throw new HostError(404, 'no such release')
    const folder = this.siteFile(label, 'releases', id)
    if (!existsSync(folder)) {
      const part = `${folder}.${randomUUID()}.part`
      for (const [file, { hash }] of Object.entries(JSON.parse(readFileSync(noted, 'utf8')) as Manifest)) {
        if (!existsSync(this.blob(hash))) throw new HostError(409, `content of ${file} has not been sent`)
        mkdirSync(path.dirname(path.join(part, file)), { recursive: true })
        linkSync(this.blob(hash), path.join(part, file))
      }
      renameSync(part, folder)
    }
    const link = this.siteFile(label, `current.${randomUUID()}`)
    symlinkSync(path.join('releases', id), link)
    renameSync(link, this.siteFile(label, 'current'))
  }

  currentRelease(label: string): string | null {
    try {
      return path.basename(readlinkSync(this.siteFile(label, 'current')))
    } catch {
      return null
    }
  }

  /**
   * The file a visitor asks for, from the release that is live. A file whose name carries a hash is also found in earlier
   * releases, so that a page fetched just before a switch still gets the style sheet it names.
   */
  findFile(
    label: string,
    file: string,
  ): { name: string; bytes: number; etag: string; open: (part: ByteRange | null) => ReadStream } | null {
    const current = this.currentRelease(label)
    if (current === null || !PATH.test(file)) return null
    const ids = isHashed(file)
      ? [current, ...readdirSync(this.siteFile(label, 'releases')).filter((id) => id !== current && RELEASE.test(id))]
      : [current]
    for (const id of ids) {
      const name = this.siteFile(label, 'releases', id, file)
      const stat = statSync(name, { throwIfNoEntry: false })
      if (stat?.isFile())
        return {
          name,
          bytes: stat.size,
          etag: `"${stat.ino.toString(36)}-${stat.size.toString(36)}-${Math.floor(stat.mtimeMs).toString(36)}"`,
          open: (part) => createReadStream(name, part ? { start: part.first, end: part.last } : {}),
        }
    }
    return null
  }

  private getSite(label: string): SiteRecord {
    const site = LABEL.test(label) ? this.findSite(label) : null
    if (!site) throw new HostError(404, 'no such site')
    return site
  }

  private writeRecord(label: string, record: SiteRecord): void {
    const part = this.siteFile(label, `site.${randomUUID()}`)
    writeFileSync(part, JSON.stringify(record))
    renameSync(part, this.siteFile(label, 'site.json'))
  }

  private used(): number {
    return readdirSync(path.join(this.folder, 'blobs')).reduce(
      (sum, f) => sum + (statSync(path.join(this.folder, 'blobs', f), { throwIfNoEntry: false })?.size ?? 0),
      0,
    )
  }

  private siteFile(label: string, ...parts: string[]): string {
    return path.join(this.folder, 'sites', label, ...parts)
  }

  private blob(hash: string): string {
    return path.join(this.folder, 'blobs', hash)
  }
}

export function isHashed(file: string): boolean {
  return /-[0-9a-f]{8}(?:-[\dx-]+)?\.\w+$/.test(file)
}
