import { expect, test } from 'vitest'
import {
  changedConnection,
  isLeftEmpty,
  isSameDoor,
  savedConnection,
  NOTHING_TYPED,
  retyped,
  testedConnection,
  typedOf,
} from './typed-connection'

const KEY = `SHA256:${'A'.repeat(43)}`
const line = {
  id: 'one',
  kind: 'sftp',
  name: 'Theirs',
  connection: 'client@files.example:22 www',
  settings: { host: 'files.example', port: 22, user: 'client', folder: 'www', hostKey: KEY },
  origin: 'https://client.example',
  isSeenAtOnce: true,
  liveUrl: null,
  number: null,
} as const

test('another kind is on its usual port, unless one was typed', () => {
  expect(retyped(NOTHING_TYPED, { kind: 'ftp' }, null).port).toBe('21')
  expect(retyped({ ...NOTHING_TYPED, port: '2222' }, { kind: 'ftp' }, null).port).toBe('2222')
})

test('a certificate that was trusted was one server’s', () => {
  const trusting = { ...NOTHING_TYPED, kind: 'ftp', host: 'files.example', certificate: 'AA' } as const
  expect(retyped(trusting, { folder: 'www' }, null).certificate).toBe('AA')
  for (const part of [{ host: 'other.example' }, { port: '2121' }, { isSecure: false }])
    expect(retyped(trusting, part, null).certificate, JSON.stringify(part)).toBeNull()
})

test('one that is kept is changed without what lets us in, as long as it is the same door', () => {
  const kept = typedOf(line)
  expect([isLeftEmpty(kept), isSameDoor(kept, kept)]).toEqual([true, true])
  const away = retyped(kept, { host: 'other.example' }, kept)
  expect([away.hostKey, isSameDoor(away, kept)]).toEqual([null, false])
  // Typed back, it is known again.
  expect(isSameDoor(retyped(away, { host: 'files.example' }, kept), kept)).toBe(true)
  expect(isSameDoor(retyped(kept, { user: 'other' }, kept), kept)).toBe(false)
  const settings = { ...line.settings, folder: 'public_html' }
  expect(changedConnection(retyped(kept, { folder: 'public_html' }, kept), null)).toEqual({ kind: 'sftp', settings, secret: null })
  const typed = { ...kept, password: 'magpies' }
  expect(isLeftEmpty(typed)).toBe(false)
  expect(changedConnection(typed, 'SHA256:other')).toMatchObject({ settings: { hostKey: 'SHA256:other' }, secret: { password: 'magpies' } })
})

test('as it is tried, a host’s key is not known yet; as it is kept, it is', () => {
  const typed = { ...typedOf(line), password: 'magpies' }
  expect(testedConnection(typed)).toEqual({
    kind: 'sftp',
    settings: { host: 'files.example', port: 22, user: 'client', folder: 'www' },
    secret: { password: 'magpies' },
  })
  expect(savedConnection(typed, KEY)).toEqual({ kind: 'sftp', settings: line.settings, secret: { password: 'magpies' } })
  expect(savedConnection({ ...typed, kind: 'folder' }, null)).toEqual({ kind: 'folder', settings: { folder: 'www' }, secret: null })
})
