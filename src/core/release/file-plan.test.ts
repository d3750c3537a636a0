import { createHash } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { random } from '../../../tests/random'
import {
  inPlace,
  inTurns,
  ownListText,
  parseOwnList,
  planFiles,
  straightAway,
  presentOf,
  waitingFiles,
  type FilesStanding,
  type FilesThere,
  type FileThere,
  type Manifest,
  type OwnFiles,
  type OwnList,
} from '.'

const file = (letter: string, bytes = 1): Manifest[string] => ({ hash: letter.repeat(64), bytes })
const sumOf = (words: string): string => createHash('sha256').update(words).digest('hex')
const sized = (bytes: number, at: number | null = null): FileThere => ({ bytes, at })
const there = (manifest: Manifest): Map<string, FileThere> =>
  new Map(Object.entries(manifest).map(([path, { bytes }]) => [path, sized(bytes)]))

const standing = (ours: Manifest, found: FilesThere, kept: Manifest = {}): FilesStanding => ({ ours, kept, there: found })

describe('what goes to a server that only takes files', () => {
  const ours: Manifest = { 'index.html': file('a'), 'about/index.html': file('b'), 'old.css': file('c') }
  const next: Manifest = { 'index.html': file('a'), 'about/index.html': file('d'), 'new.css': file('e') }

  test('what leads elsewhere than it did is put there anew, though its words are the same', () => {
    const page = { hash: 'a'.repeat(64), bytes: 3 }
    const standing = { ours: { 'old/index.html': { ...page, leadsTo: '/new/' } }, kept: {}, there: new Map([['old/index.html', sized(3)]]) }
    expect(planFiles({ 'old/index.html': { ...page, leadsTo: '/new/' } }, standing).send).toEqual([])
    expect(planFiles({ 'old/index.html': { ...page, leadsTo: '/newer/' } }, standing).send).toEqual(['old/index.html'])
    expect(planFiles({ 'old/index.html': page }, standing).send).toEqual(['old/index.html'])
  })

  test('is what changed; what is ours and no part of it any more goes; what is not ours is named and left', () => {
    const plan = planFiles(next, standing(ours, new Map([...there(ours), ['mail/inbox', sized(9)]])))
    expect(plan).toEqual({
      send: ['about/index.html', 'new.css'],
      same: ['index.html'],
      remove: ['old.css'],
      stay: [],
      foreign: ['mail/inbox'],
      inTheWay: [],
    })
  })

  test('is also what somebody else has changed or removed there', () => {
    const plan = planFiles(
      ours,
      standing(
        ours,
        new Map([
          ['index.html', sized(7)],
          ['old.css', sized(1)],
        ]),
      ),
    )
    expect(plan).toMatchObject({ send: ['about/index.html', 'index.html'], same: ['old.css'], remove: [] })
  })

  test('is also what was changed at the same size, where the server tells when', () => {
    const dated = Object.fromEntries(Object.entries(ours).map(([path, entry]) => [path, { ...entry, at: 7 }]))
    const at = (when: number | null): FilesThere =>
      new Map(Object.keys(ours).map((path) => [path, sized(1, path === 'old.css' ? when : 7)]))
    expect(planFiles(ours, standing(dated, at(8)))).toMatchObject({ send: ['old.css'] })
    expect(planFiles(ours, standing(dated, at(7))).send).toEqual([])
    expect(planFiles(ours, standing(dated, at(null))).send).toEqual([])
    expect(planFiles(ours, standing(ours, at(8))).send).toEqual([])
    expect(presentOf(standing(dated, at(8)))['old.css']?.hash).not.toBe(ours['old.css']?.hash)
  })

  test('is never put over what is not ours, nor in place of a folder, nor under a file', () => {
    const strangers = ['about', 'index.html', 'new.css/readme', 'news.css']
    expect(planFiles(next, standing({}, new Map(strangers.map((path) => [path, sized(1)]))))).toMatchObject({
      inTheWay: ['about', 'index.html', 'new.css/readme'],
      foreign: ['news.css'],
    })
  })

  test('goes straight to its place where nobody asks for it yet: by a name of its own, where nothing of a release stands', () => {
    const [fresh, torn, live] = ['files/new-0a1b2c3d.webp', 'files/torn-1a1b2c3d.webp', 'files/live-2a1b2c3d-400.webp']
    const found: FilesThere = new Map([torn, live, 'files/Capital-3a1b2c3d.webp', 'fonts'].map((path) => [path, sized(1)]))
    const send = [fresh, torn, live, 'files/capital-3a1b2c3d.webp', 'fonts/a-4a1b2c3d.woff2', 'index.html', 'files/photo.webp']
    expect(straightAway(send, { [live]: file('a') }, found)).toEqual([fresh, torn])
  })

  test('leaves what pages of the release before show for one release more, so that whoever has one finds it', () => {
    const style = (letter: string): string => `style-${letter.repeat(8)}.css`
    const site = (letter: string): Manifest => ({ 'index.html': file(letter), [style(letter)]: file(letter) })
    const first = site('a')
    const second = planFiles(site('b'), standing(first, there(first)))
    expect(second).toMatchObject({ remove: [], stay: [style('a')] })
    const [ours, kept] = [{ ...site('b'), [style('a')]: file('a') }, { [style('a')]: file('a') }]
    expect(planFiles(site('c'), standing(ours, there(ours), kept))).toMatchObject({ remove: [style('a')], stay: [style('b')] })
    // Going back finds it there; a site that is taken off leaves nothing.
    expect(planFiles(first, standing(ours, there(ours), kept))).toMatchObject({ send: ['index.html'], remove: [], stay: [style('b')] })
    expect(planFiles({}, standing(ours, there(ours), kept))).toMatchObject({ remove: Object.keys(ours).sort(), stay: [] })
  })

  test('comes into place after what it needs: content, pages, the home page, and what tells of them', () => {
    const paths = ['index.html', 'sitemap.xml', 'b/index.html', 'fonts/a.woff2', '404.html', 'a.webp', 'robots.txt', 'b/c/index.html']
    expect(inTurns(paths)).toEqual([
      ['a.webp', 'fonts/a.woff2'],
      ['404.html', 'b/c/index.html', 'b/index.html'],
      ['index.html'],
      ['robots.txt', 'sitemap.xml'],
    ])
  })
})

describe('our own list', () => {
  test('is read as it was written; what is none of ours, or damaged, is none', () => {
    const list: OwnList = {
      owner: 'job',
      release: 'r1',
      files: { 'a.html': file('a') },
      kept: { 'b-0a1b2c3d.css': file('b') },
      coming: null,
    }
    const text = ownListText(list, sumOf)
    expect(parseOwnList(text, sumOf)).toEqual(list)
    expect(ownListText({ ...list, files: Object.fromEntries(Object.entries(list.files).toReversed()) }, sumOf)).toBe(text)
    // As it was written before it began with its sum.
    expect(parseOwnList(JSON.stringify(list), sumOf)).toEqual(list)
    const others = [
      { ...list, files: { '../a': file('a') } },
      { ...list, owner: 7 },
    ].map((other) => JSON.stringify(other))
    for (const other of ['', '{}', 'null', text.slice(0, -9), text.replace('"job"', '"jib"'), ...others])
      expect(parseOwnList(other, sumOf), other).toBeNull()
  })

  test('tells what comes by how it differs, whatever that is', () => {
    const roll = random(7)
    for (let n = 0; n < 300; n++) {
      const some = (): OwnFiles =>
        Object.fromEntries(
          ['a.html', 'b.html', 'c.css', 'd/index.html', '7'].flatMap((path) => {
            const leadsTo = roll() < 0.2 ? { leadsTo: '/new/' } : {}
            const at = roll() < 0.7 ? { at: Math.floor(roll() * 2) } : {}
            return roll() < 0.7 ? [[path, { ...file(roll() < 0.5 ? 'a' : 'b'), ...leadsTo, ...at }] as const] : []
          }),
        )
      const list: OwnList = { owner: 'job', release: 'r1', files: some(), kept: some(), coming: { release: 'r2', files: some() } }
      expect(parseOwnList(ownListText(list, sumOf), sumOf)).toEqual(list)
    }
    const many = Object.fromEntries(Array.from({ length: 100 }, (_, i) => [`page-${i}/index.html`, file('a')]))
    const coming = { release: 'r2', files: { ...many, 'page-7/index.html': file('b') } }
    const short = ownListText({ owner: 'job', release: 'r1', files: many, kept: {}, coming }, sumOf).length
    expect(short - ownListText({ owner: 'job', release: 'r1', files: many, kept: {}, coming: null }, sumOf).length).toBeLessThan(200)
  })

  test('files of one content wait under names of their own, the same each time', () => {
    const manifest = { 'b.html': file('a'), 'a.html': file('a'), 'c.html': file('c') }
    const files = waitingFiles(manifest)
    expect(new Set([...files.values()].map(({ name }) => name)).size).toBe(3)
    expect(waitingFiles(Object.fromEntries(Object.entries(manifest).toReversed()))).toEqual(files)
  })

  test('however far a release had come when the line broke, what is in place is known', () => {
    const roll = random(14)
    const letters = ['a', 'b', 'c', 'd']
    for (let n = 0; n < 500; n++) {
      const some = (): Manifest =>
        Object.fromEntries(
          ['w.html', 'x.html', 'y.css', 'z.css'].filter(() => roll() < 0.7).map((path) => [path, file(letters[Math.floor(roll() * 4)]!)]),
        )
      const [old, next] = [some(), some()]
      const disk = new Map(Object.entries(old).map(([path, { hash }]) => [path, hash]))
      const names = waitingFiles(next)
      const send = planFiles(next, standing(old, there(old))).send
      const waiting = new Map(send.map((path) => [names.get(path)!.name, 1]))
      // As many as were moved before it broke.
      for (const path of inTurns(send)
        .flat()
        .slice(0, Math.floor(roll() * (send.length + 1)))) {
        waiting.delete(names.get(path)!.name)
        disk.set(path, next[path]!.hash)
      }
      const found = inPlace({ owner: 'job', release: 'r1', files: old, kept: {}, coming: { release: 'r2', files: next } }, waiting)
      expect(new Map(Object.entries(found).map(([path, { hash }]) => [path, hash]))).toEqual(disk)
    }
  })
})
