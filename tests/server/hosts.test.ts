import { mkdtempSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { expect, test } from 'vitest'
import { isOurHost, isOwnRequest } from '../../src/server/http/hosts'
import { ownToken } from '../../src/standins/web-host/own-token'

test('only this computer’s own names are answered, and those that were allowed', () => {
  for (const host of ['localhost:4310', '127.0.0.1', 'LOCALHOST', '[::1]:4310']) expect(isOurHost(host), host).toBe(true)
  const others = ['evil.example', '127.0.0.1.evil.example', 'localhost.evil.example', 'localhost@evil.example', 'localhost:80:80', '', null]
  for (const host of others) expect(isOurHost(host), String(host)).toBe(false)
  process.env.INSTANT_FIT_HOSTS = 'studio.example, other.example'
  expect([isOurHost('studio.example:443'), isOurHost('other.example'), isOurHost('evil.example')]).toEqual([true, true, false])
  delete process.env.INSTANT_FIT_HOSTS
})

test('a change is our own pages’ or no page’s, whatever else a request says of itself', () => {
  const asked = (headers: Record<string, string>): boolean => isOwnRequest(new Headers({ host: 'localhost:4310', ...headers }))
  expect(asked({})).toBe(true)
  expect(asked({ origin: 'http://localhost:4310', 'sec-fetch-site': 'same-origin' })).toBe(true)
  // Older browsers say an origin and nothing of the site.
  for (const origin of ['http://evil.example', 'null', 'http://localhost:4311', 'http://localhost:4310.evil.example', 'no address'])
    expect(asked({ origin }), origin).toBe(false)
  for (const site of ['cross-site', 'same-site']) expect(asked({ 'sec-fetch-site': site }), site).toBe(false)
  expect(asked({ origin: 'http://evil.example', 'sec-fetch-site': 'none' })).toBe(false)
})

test('the web host makes a token of its own once, long, and for its own eyes', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-token-'))
  const token = ownToken(folder)
  expect(token).toMatch(/^[\w-]{43}$/)
  expect(ownToken(folder)).toBe(token)
  expect(ownToken(mkdtempSync(path.join(tmpdir(), 'instant-fit-token-')))).not.toBe(token)
  expect(statSync(path.join(folder, 'control-token')).mode & 0o777).toBe(0o600)
})
