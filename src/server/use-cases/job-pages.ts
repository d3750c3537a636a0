import * as v from 'valibot'
import type { Person } from '../../core/people'
import { picturesOf, toLoose, type LoosePage } from '../../core/plan'
import type { JobPages } from '../../core/replies'
import { findPage, pagesOf } from '../../core/site'
import { Problem } from '../problems'
import { jobState } from '../log/edit-log'
import { pack } from '../packs/packs'
import { mayOnJob } from '../people/access'
import { findAsset, linkAsset } from '../store/assets'
import { getJob } from '../store/jobs'

/** How many pages of a job are offered to others at most: each is shown as it would be there. */
const MOST_PAGES = 60

/** The pages of a job as another can take them, with the pictures that they show. */
export async function jobPages(id: string): Promise<JobPages> {
  getJob(id)
  const { document } = jobState(id)
  const pages = pagesOf(document)
    .slice(0, MOST_PAGES)
    .map((page) => toLoose(pack(), document, page))
  const files = picturesIn(pages).map(findAsset)
  return { pages, assets: files.flatMap((one) => one ?? []) }
}

export const takePageSchema = v.strictObject({ from: v.string(), page: v.string() })

/** Lets a job show the pictures of a page of another job that is taken into it. */
export function linkPage(job: string, { from, page: id }: v.InferOutput<typeof takePageSchema>, by: Person): void {
  getJob(job)
  getJob(from)
  if (mayOnJob(by, from) === null) throw new Problem('jobGone')
  const { document } = jobState(from)
  const page = findPage(document, id)
  if (!page) throw new Problem('pageGoneThere')
  for (const asset of picturesIn([toLoose(pack(), document, page)])) linkAsset(job, asset)
}

function picturesIn(pages: readonly LoosePage[]): readonly string[] {
  return [...new Set(pages.flatMap(({ sections }) => sections.flatMap(({ section }) => picturesOf(section))))]
}
