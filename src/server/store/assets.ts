import { own } from '../../core/own'
import type { AssetInfo, AssetTable } from '../../core/image'
import { readWhole } from '../files/blobs'
import { mediaFile } from '../files/media-file'
import { Problem } from '../problems'
import { db } from './db'
import { packAssets, packMediaFile } from '../packs/packs'

type AssetRow = {
  id: string
  hash: string
  name: string
  type: string
  width: number
  height: number
  bytes: number
  alpha: number
  focus_x: number
  focus_y: number
  light: string
}
const COLUMNS = 'id, hash, name, type, width, height, bytes, alpha, focus_x, focus_y, light'

function toAsset(row: AssetRow): AssetInfo {
  return {
    id: row.id,
    hash: row.hash,
    name: row.name,
    width: row.width,
    height: row.height,
    bytes: row.bytes,
    vector: row.type === 'svg',
    alpha: row.alpha === 1,
    focus: { x: row.focus_x, y: row.focus_y },
    ...(row.light === '' ? {} : { light: row.light }),
  }
}

export function insertAsset(job: string | null, asset: AssetInfo, type: string): void {
  db().transaction(() => {
    db()
      .prepare(`INSERT OR IGNORE INTO asset (${COLUMNS}, added_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`)
      .run(
        asset.id,
        asset.hash,
        asset.name,
        type,
        asset.width,
        asset.height,
        asset.bytes,
        asset.alpha ? 1 : 0,
        asset.focus.x,
        asset.focus.y,
        asset.light ?? '',
        new Date().toISOString(),
      )
    if (job) db().prepare('INSERT OR IGNORE INTO job_asset (job, asset) VALUES (?, ?)').run(job, asset.id)
  })()
}

/** Lets a job show a picture; a template's needs no link, every job shows it. */
export function linkAsset(job: string, asset: string): void {
  db().prepare('INSERT OR IGNORE INTO job_asset (job, asset) SELECT ?, id FROM asset WHERE id = ?').run(job, asset)
}

/** Every picture a job can show: the templates' and its own. */
export function jobAssets(job: string): AssetTable {
  return { ...packAssets(), ...Object.fromEntries(ownAssets(job).map(({ asset }) => [asset.id, asset])) }
}

/** The pictures that are a job's own, each with the type of its file. */
export function ownAssets(job: string): readonly { readonly asset: AssetInfo; readonly type: string }[] {
  return db()
    .prepare<[string], AssetRow>(`SELECT ${COLUMNS} FROM asset JOIN job_asset ON asset = id WHERE job = ? ORDER BY id`)
    .all(job)
    .map((row) => ({ asset: toAsset(row), type: row.type }))
}

/** Whether there is a picture of a name, the client's or a template's. */
export function isAsset(id: string): boolean {
  return own(packAssets(), id) !== undefined || db().prepare('SELECT 1 FROM asset WHERE id = ?').get(id) !== undefined
}

/** What is known of a picture; null where the id names none. */
export function findAsset(id: string): AssetInfo | null {
  return locate(id)?.asset ?? null
}

/** A picture with its file's bytes, which are what they were when it came; null where the id names none. */
export function readAsset(id: string): { readonly asset: AssetInfo; readonly bytes: Buffer } | null {
  const found = locate(id)
  if (!found) return null
  const bytes = readWhole(found.file, found.asset.hash)
  if (!bytes) throw new Problem('pictureLost', { name: found.asset.name })
  return { asset: found.asset, bytes }
}

function locate(id: string): { readonly asset: AssetInfo; readonly file: string } | null {
  const shipped = own(packAssets(), id)
  if (shipped) return { asset: shipped, file: packMediaFile(id) }
  const row = db().prepare<[string], AssetRow>(`SELECT ${COLUMNS} FROM asset WHERE id = ?`).get(id)
  return row ? { asset: toAsset(row), file: mediaFile(`${row.hash}.${row.type}`) } : null
}

/** Lets a job show the pictures that another one can. */
export function linkAssetsOf(from: string, to: string): void {
  db().prepare('INSERT OR IGNORE INTO job_asset (job, asset) SELECT ?, asset FROM job_asset WHERE job = ?').run(to, from)
}

/**
 * The names of the files that only this job's pictures lie in, and no kept section's; their notes are taken out, the files are the
 * caller's to remove.
 */
export function dropAssetsOf(job: string): string[] {
  const lone = db()
    .prepare<[string, string], { id: string; hash: string; type: string }>(
      `SELECT id, hash, type FROM asset JOIN job_asset ON asset = id WHERE job = ?
       AND NOT EXISTS (SELECT 1 FROM job_asset AS other WHERE other.asset = asset.id AND other.job <> ?)
       AND NOT EXISTS (SELECT 1 FROM kept_section_asset AS kept WHERE kept.asset = asset.id)`,
    )
    .all(job, job)
  return lone.flatMap(({ id, hash, type }) => {
    db().prepare('DELETE FROM job_asset WHERE asset = ?').run(id)
    db().prepare('DELETE FROM asset WHERE id = ?').run(id)
    const isShared = db().prepare('SELECT 1 FROM asset WHERE hash = ? AND type = ?').get(hash, type)
    return isShared ? [] : [`${hash}.${type}`]
  })
}
