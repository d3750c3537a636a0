import { randomUUID } from 'node:crypto'
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  renameSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs'
import path from 'node:path'
import { LRUCache } from 'lru-cache'
import { Contents } from './contents'
import { likenessOf } from './likeness'
import { HostError, manifestSchema, noteSchema, read, releaseIdSchema, siteNameSchema, type ReleaseFile, type ReleaseNote } from './wire'
import * as v from 'valibot'

/** `hstsS`: for how long browsers are told to come by HTTPS alone, in seconds. Pages that are seen are counted unless it says otherwise. */
export type SiteRecord = {
  readonly owner: string
  readonly movedTo: string | null
  readonly hstsS?: number
  readonly isCounted?: boolean
}
type Files = ReadonlyMap<string, ReleaseFile>

/** How many releases' lists of files are kept at hand. */
const AT_HAND = 64

/**
 * Sites on disk, by label or by a whole name of their own: `sites/<label>/<release>.manifest.json` lists a release's files, whose contents
 * lie under their hash; `sites/<label>/releases/<release>` says that it was live once, and `sites/<label>/current` names the one that
 * visitors see. Switching is one rename.
 */
export class SiteStore {
  readonly contents: Contents
  private readonly lists = new LRUCache<string, Files>({ max: AT_HAND })
  private readonly alike = new Map<string, Set<string>>()

  constructor(
    private readonly folder: string,
    quotaBytes: number | null,
  ) {
    mkdirSync(path.join(folder, 'sites'), { recursive: true })
    this.contents = new Contents(path.join(folder, 'blobs'), quotaBytes)
    for (const label of readdirSync(path.join(folder, 'sites'))) this.noteLikeness(label)
  }

  findSite(label: string): SiteRecord | null {
    if (!v.is(siteNameSchema, label)) return null
    const file = this.siteFile(label, 'site.json')
    return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as SiteRecord) : null
  }

  /** A label of anybody's under the host's own name that a free one could be mistaken for. */
  findAlike(label: string): string | null {
    return [...(this.alike.get(likenessOf(label)) ?? [])].find((other) => other !== label) ?? null
  }

  private noteLikeness(label: string): void {
    if (label.includes('.')) return
    const likeness = likenessOf(label)
    this.alike.set(likeness, (this.alike.get(likeness) ?? new Set()).add(label))
  }

  /** Gives a free name to an owner; saying it again changes nothing. One that could be mistaken for another's is not free. */
  claim(label: string, owner: string): boolean {
    read(siteNameSchema, label)
    const site = this.findSite(label)
    const alike = site || label.includes('.') ? null : this.findAlike(label)
    if ((site && site.owner !== owner) || (alike !== null && this.findSite(alike)?.owner !== owner)) throw new HostError(409, 'taken')
    mkdirSync(this.siteFile(label, 'releases'), { recursive: true })
    if (!site) this.writeSite(label, { owner, movedTo: null })
    this.noteLikeness(label)
    return site === null
  }

  /** Sends visitors of a name on to another one of the same owner, until something is published at it. */
  move(label: string, to: string): void {
    const site = this.getSite(label)
    if (this.getSite(read(siteNameSchema, to)).owner !== site.owner) throw new HostError(422, 'it is the site of somebody else')
    this.writeSite(label, { ...site, movedTo: to })
  }

  /** Says whether browsers that were here are to come by HTTPS alone from now on. */
  setTransport(label: string, hstsS: number): void {
    this.writeSite(label, { ...this.getSite(label), hstsS })
  }

  /** Says whether its pages are counted when they are seen. */
  setCounted(label: string, isCounted: boolean): void {
    this.writeSite(label, { ...this.getSite(label), isCounted })
  }

  /** Notes what a release will hold; answers with the contents that are not here, or not whole. */
  announce(label: string, note: ReleaseNote): string[] {
    this.getSite(label)
    const { id, manifest } = read(noteSchema, note)
    this.writeFile(this.siteFile(label, `${id}.manifest.json`), JSON.stringify(manifest))
    this.lists.delete(`${label}/${id}`)
    const wanted = new Map(Object.values(manifest).map((file) => [file.hash, file.bytes]))
    return [...wanted].filter(([hash, bytes]) => !this.contents.has(hash, bytes)).map(([hash]) => hash)
  }

  /** Switches visitors to a release, once every content of it has been read and is what it should be. */
  async activate(label: string, id: string): Promise<void> {
    this.getSite(label)
    const files = v.is(releaseIdSchema, id) ? this.filesOf(label, id) : null
    if (!files) throw new HostError(404, 'no such release')
    const torn: string[] = []
    for (const hash of new Set([...files.values()].map((file) => file.hash)))
      if (!(await this.contents.isWhole(hash))) {
        torn.push(hash)
        await this.contents.forget(hash)
      }
    if (torn.length > 0) throw new HostError(409, `content of ${torn.length} files has not been sent, or is damaged`)
    mkdirSync(this.siteFile(label, 'releases', id), { recursive: true })
    const link = this.siteFile(label, `current.${randomUUID()}`)
    symlinkSync(path.join('releases', id), link)
    renameSync(link, this.siteFile(label, 'current'))
    syncFolder(this.siteFile(label))
    const site = this.getSite(label)
    if (site.movedTo !== null) this.writeSite(label, { ...site, movedTo: null })
  }

  currentRelease(label: string): string | null {
    try {
      return path.basename(readlinkSync(this.siteFile(label, 'current')))
    } catch {
      return null
    }
  }

  /**
   * What a visitor asks for, from the release that is live. A file whose name carries a hash is also found in earlier
   * releases, so that a page fetched just before a switch still gets the style sheet it names.
   */
  findFile(label: string, file: string): ReleaseFile | null {
    const current = this.currentRelease(label)
    if (current === null) return null
    const found = this.filesOf(label, current)?.get(file)
    if (found || !isHashed(file)) return found ?? null
    for (const id of readdirSync(this.siteFile(label, 'releases'))) {
      const earlier = this.filesOf(label, id)?.get(file)
      if (earlier) return earlier
    }
    return null
  }

  private filesOf(label: string, id: string): Files | null {
    const key = `${label}/${id}`
    const known = this.lists.get(key)
    if (known) return known
    const file = this.siteFile(label, `${id}.manifest.json`)
    if (!existsSync(file)) return null
    const files = new Map(Object.entries(v.parse(manifestSchema, JSON.parse(readFileSync(file, 'utf8')))))
    this.lists.set(key, files)
    return files
  }

  private getSite(label: string): SiteRecord {
    const site = this.findSite(label)
    if (!site) throw new HostError(404, 'no such site')
    return site
  }

  private writeSite(label: string, site: SiteRecord): void {
    this.writeFile(this.siteFile(label, 'site.json'), JSON.stringify(site))
  }

  private writeFile(file: string, text: string): void {
    const part = `${file}.${randomUUID()}`
    writeFileSync(part, text, { flush: true })
    renameSync(part, file)
    syncFolder(path.dirname(file))
  }

  private siteFile(label: string, ...parts: string[]): string {
    return path.join(this.folder, 'sites', label, ...parts)
  }
}

function syncFolder(folder: string): void {
  const handle = openSync(folder, 'r')
  try {
    fsyncSync(handle)
  } finally {
    closeSync(handle)
  }
}

export function isHashed(file: string): boolean {
  return /-[0-9a-f]{8}(?:-[\dx-]{1,40})?\.\w{1,10}$/.test(file)
}
