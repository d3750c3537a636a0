import { MAX_FILE_NAME, type FileTarget } from '../../core/site'
import { keepBlob } from '../files/blobs'
import { Problem } from '../problems'
import { readBytes } from '../http/read-bytes'
import { getJob } from '../store/jobs'

const MAX_PDF_BYTES = 20 * 1024 * 1024

/** One file that visitors are to be given, its name in the query; judged by what is in it, and kept under its hash. */
export async function importFile(request: Request, query: URLSearchParams, job: string): Promise<FileTarget> {
  getJob(job)
  const name =
    (query.get('name') ?? '')
      .replaceAll(/[\\/\0]/g, ' ')
      .trim()
      .slice(0, MAX_FILE_NAME) || 'file.pdf'
  const bytes = await readBytes(request, name, MAX_PDF_BYTES, 'pdfTooLarge')
  if (bytes.length === 0) throw new Problem('fileEmpty', { name })
  if (!isPdf(bytes)) throw new Problem('pdfWrong', { name })
  const { hash } = keepBlob(bytes)
  return { type: 'file', name, hash, bytes: bytes.length }
}

/** A PDF begins with its version and ends with a mark, each within a kilobyte (ISO 32000-1, 7.5.2, 7.5.5 and the notes in annex H). */
function isPdf(bytes: Buffer): boolean {
  return bytes.subarray(0, 1024).includes('%PDF-') && bytes.subarray(-1024).includes('%%EOF')
}
