import { createHash, randomUUID } from 'node:crypto'
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'

/** An object without its content; `headers` are given to whoever reads it. */
export type Kept = {
  readonly key: string
  readonly bytes: number
  readonly headers: Readonly<Record<string, string>>
  readonly file: string
}

/** The objects of one bucket, each whole or not there: content in a file of its own, and beside it what the object is. */
export class Objects {
  private readonly known = new Map<string, Kept>()

  constructor(private readonly folder: string) {
    mkdirSync(folder, { recursive: true })
    for (const name of readdirSync(folder).filter((one) => one.endsWith('.json'))) {
      const kept = JSON.parse(readFileSync(path.join(folder, name), 'utf8')) as Kept
      this.known.set(kept.key, kept)
    }
  }

  get bytes(): number {
    return [...this.known.values()].reduce((sum, { bytes }) => sum + bytes, 0)
  }

  find(key: string): Kept | null {
    return this.known.get(key) ?? null
  }

  /** Objects whose keys begin so, in the order of these. */
  list(prefix: string): readonly Kept[] {
    return [...this.known.values()].filter(({ key }) => key.startsWith(prefix)).sort((a, b) => (a.key < b.key ? -1 : 1))
  }

  read({ file }: Kept): Buffer {
    return readFileSync(path.join(this.folder, file))
  }

  put(key: string, content: Buffer, headers: Readonly<Record<string, string>>): void {
    const name = createHash('sha256').update(key).digest('hex')
    const kept: Kept = { key, bytes: content.length, headers, file: `${name}-${randomUUID()}` }
    writeFileSync(path.join(this.folder, kept.file), content)
    writeFileSync(path.join(this.folder, `${kept.file}.part`), JSON.stringify(kept))
    renameSync(path.join(this.folder, `${kept.file}.part`), path.join(this.folder, `${name}.json`))
    const old = this.known.get(key)
    this.known.set(key, kept)
    if (old) rmSync(path.join(this.folder, old.file), { force: true })
  }

  remove(key: string): void {
    const kept = this.known.get(key)
    if (!kept) return
    this.known.delete(key)
    rmSync(path.join(this.folder, `${createHash('sha256').update(key).digest('hex')}.json`), { force: true })
    rmSync(path.join(this.folder, kept.file), { force: true })
  }
}
