import { expect, test } from 'vitest'
import { pathOfVisitors, visitorFault, type Answered } from './visitors'

test('a folder’s own page is found at the folder, and names travel escaped (RFC 3986, 2.1)', () => {
  const paths = ['index.html', 'about/index.html', 'a/b/index.html', 'robots.txt', 'preise & mehr/größe.pdf', 'myindex.html']
  expect(paths.map(pathOfVisitors)).toEqual([
    '/',
    '/about/',
    '/a/b/',
    '/robots.txt',
    '/preise%20%26%20mehr/gr%C3%B6%C3%9Fe.pdf',
    '/myindex.html',
  ])
})

test('what is not as it was sent is said: status, content, type, and where it leads on', () => {
  const sent = { hash: 'a'.repeat(64), bytes: 10 }
  const got = (more: Partial<Answered> = {}): Answered => ({
    status: 200,
    type: 'text/html; charset=utf-8',
    location: null,
    ...sent,
    ...more,
  })
  const fault = (file: string, more: Partial<Answered> = {}, leads: string | null = null): string | null =>
    visitorFault(file, sent, got(more), leads)
  expect(fault('index.html')).toBeNull()
  expect(fault('index.html', { status: 404 })).toBe('It answers with status 404.')
  expect(fault('index.html', { status: 301, location: 'https://other.example/' })).toBe('It leads on to https://other.example/.')
  expect(fault('index.html', { hash: 'b'.repeat(64), bytes: 12 })).toBe(
    'Something else comes than was sent: 12 bytes, where 10 bytes were sent.',
  )
  expect(fault('files/style.css')).toContain('“text/html; charset=utf-8”')
  expect(fault('files/style.css', { type: 'text/css' })).toBeNull()
  expect(fault('letter.xyz', { type: null })).toBeNull()
  // The page for what is not there says that it is not there.
  expect(fault('404.html')).toBe('It answers with status 200.')
  expect(fault('404.html', { status: 404 })).toBeNull()
  // An address that leads on by a rule.
  const leads = 'https://client.example/new/'
  expect(fault('old/index.html', { status: 301, location: leads }, leads)).toBeNull()
  expect(fault('old/index.html', {}, leads)).toBeNull()
  expect(fault('old/index.html', { hash: 'b'.repeat(64) }, leads)).toBe(
    'It is to lead on to https://client.example/new/, and answers with status 200.',
  )
  expect(fault('old/index.html', { status: 301, location: 'https://client.example/' }, leads)).toContain(
    'and leads to https://client.example/.',
  )
})
