import { allSections, isHidden, pageOfSection, targetsIn, valuesShown, type FileTarget, type SiteDocument } from '../site'
import { toSegment } from './segment'

/** Where a release has a file that links lead to: under its name, with a part of its hash, so that another of that name is another file. */
export function filePath({ name, hash }: Pick<FileTarget, 'name' | 'hash'>): string {
  return `files/${toSegment(name.replace(/\.pdf$/i, '')) || 'file'}-${hash.slice(0, 8)}.pdf`
}

/** Kilobytes of 1,000 bytes (IEC 80000-13), as visitors are told them. */
export function weightOf(bytes: number): string {
  return bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
}

/** Every file that something on a site leads to, once each. What visitors never see leads nowhere. */
export function linkedFiles(document: SiteDocument): readonly FileTarget[] {
  const values = allSections(document)
    .filter(({ id, hidden }) => !hidden && !isOnHiddenPage(document, id))
    .flatMap((section) => valuesShown(document, section))
  const targets = [...values.flatMap(targetsIn), ...Object.values(document.signposts).map(({ to }) => to)]
  const files = targets.flatMap((to) => (to.type === 'file' ? [to] : []))
  return [...new Map(files.map((file) => [filePath(file), file])).values()]
}

function isOnHiddenPage(document: SiteDocument, section: string): boolean {
  const page = pageOfSection(document, section)
  return page !== null && isHidden(document, page)
}
