import { existsSync, statSync } from 'node:fs'
import { handsApart, namedFiles, PROJECT_FILE, projectPath, type Project, type ProjectPicture, type ProjectRow } from '../../core/handover'
import { findTemplate, templateSections } from '../../core/pack'
import { allSections, factsOf, pagesOf, type SiteDocument } from '../../core/site'
import { isBlobKept, readBlob, readWhole } from '../files/blobs'
import { mediaFile } from '../files/media-file'
import type { ZippedFile } from '../files/zip-stream'
import { Problem } from '../problems'
import { jobState, type JobState } from '../log/edit-log'
import { readOwnFont } from '../media/fonts'
import { takeOutPack } from '../packs/pack-zip'
import { isShippedDesign, pack } from '../packs/packs'
import { publishedPaths } from '../releases/published-paths'
import { ownAssets } from '../store/assets'
import { getJob } from '../store/jobs'
import { rowsSince, rowTimes } from '../store/log-rows'
import { menuFitsOf } from '../store/menu-fits'
import { namedVersions } from '../store/named-versions'
import { notedPaths } from '../store/published-paths'
import { firstSnapshot } from '../store/snapshots'
import { textHoldsOf } from '../store/text-holds'

/** A job with everything that it is made of, as files; with every step since it was begun where that is asked for. */
export function gatherProject(job: string, withHistory: boolean, madeAt: Date): readonly ZippedFile[] {
  getJob(job)
  const now = jobState(job)
  const begin = (withHistory ? firstSnapshot(job) : null) ?? now
  const rows = begin.revision < now.revision ? rowsOf(job, begin) : []
  const named = namedFiles([begin, now, ...rows].map((one) => JSON.stringify(one)))
  publishedPaths(job)
  const project: Project = {
    format: 1,
    job,
    name: factsOf(now.document).name || job,
    madeAt: madeAt.toISOString(),
    begin,
    rows,
    document: now.document,
    points: namedVersions(job).filter(({ revision }) => revision >= begin.revision),
    paths: notedPaths(job),
    menus: menuFitsOf(job),
    holds: textHoldsOf(job),
    pictures: picturesOf(job),
    fonts: fontsOf(now.document, named.fonts),
    files: named.files.filter(isBlobKept),
    packs: packsOf(now.document),
  }
  return [{ path: PROJECT_FILE, read: () => Buffer.from(JSON.stringify(project)) }, ...filesOf(project)]
}

/** The job's own pictures, all of which are here: what is missing is told before anything is given away. */
function picturesOf(job: string): readonly ProjectPicture[] {
  return ownAssets(job).map(({ asset, type }) => {
    const { id, hash, name, width, height, bytes, alpha, focus, light } = asset
    const file = statSync(mediaFile(`${hash}.${type}`), { throwIfNoEntry: false })
    if (file?.size !== bytes) throw new Problem('pictureLost', { name })
    const about = { id, hash, name, width, height, alpha, focus, ...(light === undefined ? {} : { light }) }
    return { ...about, type: type as ProjectPicture['type'] }
  })
}

/** Font files that are here, of those that were ever named; one that the site is set in now has to be. */
function fontsOf({ brand }: SiteDocument, named: readonly string[]): readonly string[] {
  for (const { file } of brand.fonts ?? []) readOwnFont(file)
  return named.filter((file) => existsSync(mediaFile(file)))
}

function rowsOf(job: string, begin: JobState): readonly ProjectRow[] {
  const [times, apart] = [rowTimes(job), handsApart()]
  return rowsSince(job, begin.revision).map(({ revision, id, who, gesture, undoes, edit }) => {
    return { revision, id, who: apart(who), gesture, undoes, at: times.get(revision) ?? '', edit }
  })
}

/** The templates whose words and designs a site shows; one that is not here cannot be given along. */
function packsOf(document: SiteDocument): readonly string[] {
  const all = pack()
  const origins = [...pagesOf(document), ...allSections(document)].flatMap(({ origin }) => (origin ? [origin.template] : []))
  const named = new Set([document.dress.template, ...origins].filter((id) => findTemplate(all, id)))
  const has = (id: string, kind: string, design: string): boolean => {
    const template = findTemplate(all, id)
    return template !== null && [...templateSections(template), template.notFound].some((one) => one.kind === kind && one.design === design)
  }
  for (const { kind, design } of allSections(document)) {
    if (isShippedDesign(kind, design) || [...named].some((id) => has(id, kind, design))) continue
    const from = Object.keys(all.templates).find((id) => has(id, kind, design))
    if (from !== undefined) named.add(from)
  }
  return [...named].sort()
}

function filesOf({ pictures, fonts, files, packs }: Project): readonly ZippedFile[] {
  return [
    ...pictures.map((picture) => ({
      path: projectPath.picture(picture),
      read: () => {
        const bytes = readWhole(mediaFile(`${picture.hash}.${picture.type}`), picture.hash)
        if (!bytes) throw new Problem('pictureLost', { name: picture.name })
        return bytes
      },
    })),
    ...fonts.map((font) => ({ path: projectPath.font(font), read: () => readOwnFont(font) })),
    ...files.map((hash) => ({
      path: projectPath.file(hash),
      read: () => {
        const bytes = readBlob(hash)
        if (!bytes) throw new Problem('contentGone', { path: projectPath.file(hash) })
        return bytes
      },
    })),
    ...packs.map((id) => ({ path: projectPath.pack(id), read: () => takeOutPack(id) })),
  ]
}
