import { nanoid } from 'nanoid'
import * as v from 'valibot'
import type { AssetInfo } from '../../core/image'
import type { Person } from '../../core/people'
import { keptSectionSchema, picturesOf } from '../../core/plan'
import type { KeptLine } from '../../core/replies'
import { Problem } from '../problems'
import { findAsset, linkAsset } from '../store/assets'
import { getJob } from '../store/jobs'
import { deleteKeptSection, insertKeptSection, listKeptSections, renameKeptSection, type KeptRow } from '../store/kept-sections'

const name = v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(80))
export const keepSchema = v.strictObject({ name, section: keptSectionSchema })
export const renameKeptSchema = v.strictObject({ name })
export const takeSchema = v.strictObject({ job: v.string() })

/** The sections that are kept here for any job; who was invited to single jobs has none of them. */
export async function keptSections(by: Person): Promise<readonly KeptLine[]> {
  if (by.role === 'guest') return []
  return Promise.all(listKeptSections().map(async (row) => ({ ...row, assets: await assetsOf(row) })))
}

export function keepSection({ name: called, section }: v.InferOutput<typeof keepSchema>): string {
  const id = nanoid(12)
  insertKeptSection({ id, name: called, keptAt: new Date().toISOString(), section })
  return id
}

export function renameKept(id: string, { name: called }: v.InferOutput<typeof renameKeptSchema>): void {
  if (!renameKeptSection(id, called)) throw new Problem('keptGone')
}

export function removeKept(id: string): void {
  deleteKeptSection(id)
}

/** Lets a job show the pictures of a kept section that is taken into it. */
export function linkKept(id: string, { job }: v.InferOutput<typeof takeSchema>): void {
  const row = listKeptSections().find((one) => one.id === id)
  if (!row) throw new Problem('keptGone')
  getJob(job)
  for (const asset of picturesOf(row.section)) linkAsset(job, asset)
}

async function assetsOf({ section }: KeptRow): Promise<readonly AssetInfo[]> {
  const found = picturesOf(section).map(findAsset)
  return found.flatMap((one) => one ?? [])
}
