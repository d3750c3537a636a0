import { nanoid } from 'nanoid'
import { isDestinationError } from '../destination'
import type { FileServer } from '../file-server/file-server'
import { TestFault, type TestPart } from './connection-test'

const PATIENCE_MS = 10_000

/**
 * Looks into the folder, writes a small file there, asks for it by the public address as a visitor would, and takes it away again. A file
 * that was written is also taken away where it is not found by the address.
 */
export function filesTest(
  open: () => Promise<FileServer>,
  origin: string,
  folder: string,
  step: 'folder' | 'bucket' = 'folder',
): readonly TestPart[] {
  const name = `site-test-${nanoid(10)}.txt`
  const words = `A test of the connection, ${nanoid(20)}`
  return [
    [step, async () => look(await open(), folder, step)],
    ['write', async () => write(await open(), name, words, folder)],
    ['read back', async () => readBack(await open(), `${origin}/${name}`, name, words, folder)],
    ['remove', async () => remove(await open(), name)],
  ]
}

const LOOK_ADVICE = {
  folder: 'Look at its name: it is often public_html, htdocs, www or httpdocs. Ask which folder visitors see.',
  bucket: 'Look at its name and region, and ask whether the key may list what is in it.',
} as const

async function look(server: FileServer, folder: string, step: 'folder' | 'bucket'): Promise<string> {
  const there = await server.count().catch((error: unknown) => {
    throw fault(`The ${step} ${folder} could not be looked into`, error, LOOK_ADVICE[step])
  })
  return there === 0 ? 'It is empty.' : `It holds ${there} ${there === 1 ? 'file or folder' : 'files and folders'}.`
}

async function write(server: FileServer, name: string, words: string, folder: string): Promise<string> {
  await server.write(name, Buffer.from(words)).catch((error: unknown) => {
    const advice =
      isDestinationError(error) && error.fault === 'full'
        ? 'Make room there, or ask for more.'
        : 'The login may look into this folder and not write to it: ask for the right to.'
    throw fault(`A small file could not be written to ${folder}`, error, advice)
  })
  return `A small file was written: ${name}.`
}

async function readBack(server: FileServer, url: string, name: string, words: string, folder: string): Promise<string> {
  try {
    const response = await fetch(url, { signal: AbortSignal.timeout(PATIENCE_MS), redirect: 'follow', cache: 'no-store' }).catch(
      (error: unknown) => {
        const cause = error instanceof Error ? (error.cause ?? error) : error
        throw new TestFault(
          `${url} could not be fetched (${cause instanceof Error ? cause.message : String(cause)}).`,
          'The address does not lead to a web server yet. Look at its spelling; where the domain is new, its records may not be set yet.',
        )
      },
    )
    const found = response.ok ? await response.text() : null
    if (found !== words)
      throw new TestFault(
        `${url} answered ${found === null ? `with status ${response.status}` : 'with something else than was written'}.`,
        `Visitors of this address see another folder than ${folder}, or another server. Ask which folder belongs to it.`,
      )
    return `Visitors get it at ${url}.`
  } catch (error) {
    await server.remove(name).catch(() => undefined)
    throw error
  }
}

async function remove(server: FileServer, name: string): Promise<string> {
  await server.remove(name).catch((error: unknown) => {
    throw fault(
      `${name} could not be removed again`,
      error,
      'The login may write and not remove. Ask for the right to, and take this file away by hand.',
    )
  })
  return 'The small file is gone again.'
}

function fault(said: string, error: unknown, advice: string): TestFault {
  return new TestFault(`${said} (${error instanceof Error ? error.message : String(error)}).`, advice)
}
