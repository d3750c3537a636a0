import { expect, test } from 'vitest'
import { noticedPaths, noticeFault, noticeOf, type Listed } from '.'

const release = (files: Readonly<Record<string, string>>, listed: readonly string[]): Listed => ({
  manifest: Object.fromEntries(Object.entries(files).map(([file, letter]) => [file, { hash: letter.repeat(64), bytes: 1 }])),
  listed: new Set(listed),
})
const first = release({ 'index.html': 'a', 'about/index.html': 'b', 'thanks/index.html': 'c', 'style.css': 'd', '404.html': 'e' }, [
  '/',
  '/about/',
])

test('those who search are told of pages that came, changed, went, or are to be found no more; not of what they never see', () => {
  expect(noticedPaths(null, first)).toEqual(['/', '/about/'])
  expect(noticedPaths(first, first)).toEqual([])
  const changed = release({ 'index.html': 'a', 'about/index.html': 'x', 'thanks/index.html': 'y', 'style.css': 'z', '404.html': 'w' }, [
    '/',
    '/about/',
  ])
  expect(noticedPaths(first, changed)).toEqual(['/about/'])
  expect(noticedPaths(first, release({ 'index.html': 'a', 'new/index.html': 'n' }, ['/', '/new/']))).toEqual(['/about/', '/new/'])
  const hidden = release({ 'index.html': 'a', 'about/index.html': 'b' }, ['/'])
  expect(noticedPaths(first, hidden)).toEqual(['/about/'])
  expect(noticedPaths(hidden, hidden)).toEqual([])
  expect(noticedPaths(first, release({}, []))).toEqual(['/', '/about/'])
})

// IndexNow, “Submitting set of URLs” and “Response format”; from memory.
test('a notice names the host, its key and where that is, and what answers mean is known', () => {
  expect(noticeOf('https://a.example', 'k1', ['https://a.example/'])).toEqual({
    host: 'a.example',
    key: 'k1',
    keyLocation: 'https://a.example/k1.txt',
    urlList: ['https://a.example/'],
  })
  expect([200, 202].map(noticeFault)).toEqual([null, null])
  expect([400, 403, 422, 429, 500].map((status) => noticeFault(status)?.isForNow)).toEqual([false, true, false, true, true])
})
