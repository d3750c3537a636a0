import { mkdirSync, mkdtempSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { webStandIn } from '../../src/standins/client-server/web'

const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-client-site-'))
const server = webStandIn(folder)
let origin = ''
beforeAll(async () => {
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
})
afterAll(() => server.close())

test('while files go and come back, each visitor is given a whole one or none, and the server goes on', async () => {
  mkdirSync(path.join(folder, 'p'))
  const [file, aside] = [path.join(folder, 'p', 'index.html'), path.join(folder, 'aside')]
  const words = '<p>words</p>'.repeat(400)
  let [given, away] = [0, 0]
  for (let round = 0; round < 150; round++) {
    writeFileSync(file, words)
    const asked = Array.from({ length: 4 }, () => fetch(`${origin}/p/`))
    renameSync(file, aside)
    await new Promise((resolve) => setImmediate(resolve))
    renameSync(aside, file)
    await new Promise((resolve) => setImmediate(resolve))
    rmSync(file)
    for (const answer of await Promise.all(asked)) {
      const said = await answer.text()
      if (answer.status === 200) given += Number(said === words)
      else away += Number(answer.status === 404)
    }
  }
  expect(given + away).toBe(600)
  expect(away).toBeGreaterThan(0)
})

test('a folder leads on to its own address, and has its own page for what is not there', async () => {
  mkdirSync(path.join(folder, 'shop', 'new'), { recursive: true })
  writeFileSync(path.join(folder, 'shop', 'new', 'index.html'), 'new')
  writeFileSync(path.join(folder, 'shop', '404.html'), 'not in the shop')
  const asked = await fetch(`${origin}/shop/new`, { redirect: 'manual' })
  expect([asked.status, asked.headers.get('location')]).toEqual([301, '/shop/new/'])
  const words = async (at: string): Promise<unknown> => {
    const answer = await fetch(origin + at)
    return [answer.status, await answer.text()]
  }
  expect(await words('/shop/new/')).toEqual([200, 'new'])
  expect(await words('/shop/new/gone/')).toEqual([404, 'not in the shop'])
  expect(await words('/elsewhere/')).toEqual([404, 'Not found'])
})

test('an address that is none is not found', async () => {
  for (const asked of ['/%E0%A4%A', '/%00', '/..%2f..%2fetc/passwd']) expect((await fetch(origin + asked)).status, asked).toBe(404)
})
