import { rmSync } from 'node:fs'
import { unzipSync } from 'fflate'
import * as v from 'valibot'
import { beforeAll, beforeEach, describe, expect, test } from 'vitest'
import { menuKeyOf } from '../../src/core/render'
import type { Manifest } from '../../src/core/release'
import { DestinationError, type CalledDelivery, type Destination, type HostedSite } from '../../src/server/destinations/destination'
import { dataFolder } from '../../src/server/files/data-folder'
import { testSite } from '../pack'
import { setText } from '../site'
import { forgetMemory, ownDataFolder } from './log-fixture'
import { BY } from './someone'

/** A host that can be made to fail at any call, or to do what it is asked and lose its answer. */
class Host implements Destination {
  readonly kind = 'web-host'
  readonly name = 'The web host'
  readonly capabilities = {
    canSwitchAtomically: true,
    isSeenAtOnce: true,
    canRedirect: true,
    canLeadOn: false,
    givesAddresses: true,
    keepsContent: true,
  }
  readonly files = null
  readonly sites = new Map<string, { owner: string; release: string | null; movedTo?: string }>()
  readonly blobs = new Set<string>()
  failing: Partial<Record<'claim' | 'deliver' | 'send' | 'activate' | 'find' | 'redirect', 'down' | 'full' | 'answer lost'>> = {}
  sent = 0

  originOf = (address: string): string => `http://${address}.localhost:1`
  find = (address: string): Promise<HostedSite | null> => this.call('find', () => this.sites.get(address) ?? null)
  claim = (address: string, owner: string): Promise<void> =>
    this.call('claim', () => void this.sites.set(address, { release: null, ...this.sites.get(address), owner }))
  deliver = (address: string, release: string, manifest: Manifest): Promise<CalledDelivery> =>
    this.call('deliver', () => ({
      missing: [...new Set(Object.values(manifest).map((f) => f.hash))].filter((hash) => !this.blobs.has(hash)),
      send: (hash) =>
        this.call('send', () => {
          this.blobs.add(hash)
          this.sent++
        }),
      activate: () => this.call('activate', () => void (this.sites.get(address)!.release = release)),
    }))
  redirect = (from: string, to: string): Promise<void> => this.call('redirect', () => void (this.sites.get(from)!.movedTo = to))

  private async call<T>(name: keyof Host['failing'], work: () => T): Promise<T> {
    const how = this.failing[name]
    if (how === 'down' || how === 'full') throw new DestinationError(how, 'told to')
    const result = work()
    if (how === 'answer lost') throw new DestinationError('down', 'no answer within 20 s')
    return result
  }
}

let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let address: typeof import('../../src/server/use-cases/choose-address')
let preparing: typeof import('../../src/server/use-cases/prepare-release')
let publishing: typeof import('../../src/server/use-cases/publish')
let publications: typeof import('../../src/server/store/publications')
let releases: typeof import('../../src/server/store/releases')
let start: typeof import('../../src/server/use-cases/start-up')
let tasks: typeof import('../../src/server/store/tasks')
let open: typeof import('../../src/server/releases/finish-open')
let database: typeof import('../../src/server/store/db')
let view: typeof import('../../src/server/use-cases/publish-view')

beforeAll(async () => {
  ownDataFolder()
  ;[make, log, address, preparing, publishing, publications, releases, start, tasks, open, database, view] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/use-cases/choose-address'),
    import('../../src/server/use-cases/prepare-release'),
    import('../../src/server/use-cases/publish'),
    import('../../src/server/store/publications'),
    import('../../src/server/store/releases'),
    import('../../src/server/use-cases/start-up'),
    import('../../src/server/store/tasks'),
    import('../../src/server/releases/finish-open'),
    import('../../src/server/store/db'),
    import('../../src/server/use-cases/publish-view'),
  ])
})

let host: Host
let job = ''
let names = 0
const silent = (): void => undefined
const takeAddress = async (): Promise<string> => {
  const name = `site-${++names}`
  await address.chooseAddress(job, name, BY)
  return name
}
const publish = () => publishing.publish(job, { revision: log.jobState(job).revision }, silent, BY)
const change = (text: string) =>
  log.appendRows(job, null, log.jobState(job).revision, [
    { id: `row-${text}-${names}`.padEnd(10, 'x'), gesture: text, undoes: null, edit: setText('home.hero', 'heading', text) },
  ])
const live = (): { address: string; number: number | null; revision: number } => {
  const found = publications.livePublication(job)!
  const { number, revision } = releases.getRelease(job, found.release)
  return { address: found.address, number, revision }
}
const kept = (): Map<string, unknown> => ((globalThis as { instantFitKept?: Map<string, unknown> }).instantFitKept ??= new Map())

beforeEach(() => {
  host = new Host()
  kept().set('destination-web-host', host)
  // One page is enough: its pictures would take seconds.
  const { document } = testSite({ name: 'Publishing' })
  const page = document.pages.legal!
  const sections = Object.fromEntries(Object.entries(document.sections).filter(([, s]) => s.in.type !== 'page' || s.in.page === 'legal'))
  const title = {
    ...document.sections['home.hero']!,
    in: { type: 'page' as const, page: 'legal' as never },
    rank: 'Zz',
    slots: { picture: { type: 'image' as const, asset: '', alt: '' } },
  }
  job = make.createJob({ ...document, pages: { legal: { ...page, segment: '' } }, sections: { ...sections, 'home.hero': title } })
})

describe('publishing', () => {
  test('sends what is missing, switches, and gives the release a number; again it sends only what changed', async () => {
    const name = await takeAddress()
    const first = await publish()
    expect(first).toMatchObject({ origin: `http://${name}.localhost:1`, notSentOn: null })
    expect(first.sentFiles).toBe(host.sent)
    change('second')
    const plan = await preparing.prepareRelease(job, {}, silent)
    expect(plan.plan.changed.map((f) => f.path)).toEqual(['index.html'])
    expect((await publish()).sentFiles).toBe(1)
    expect(live()).toEqual({ address: name, number: 2, revision: 1 })
    expect(host.sites.get(name)!.release).toBe(publications.livePublication(job)!.release)
  })

  test('is of the site as the screen shows it: one that moved on is refused, and what was only looked at leaves no release', async () => {
    await takeAddress()
    await preparing.prepareRelease(job, {}, silent)
    change('newer')
    await preparing.prepareRelease(job, {}, silent)
    await expect(publishing.publish(job, { revision: 0 }, silent, BY)).rejects.toMatchObject({ code: 'movedOn' })
    expect(database.db().prepare('SELECT count(*) AS n FROM release WHERE job = ?').get(job)).toEqual({ n: 0 })
  })

  test('a menu that was measured not to fit has its phone form in what is published, until it is measured to fit', async () => {
    await takeAddress()
    const [{ pack }, { jobAssets }, { readBlob }] = await Promise.all([
      import('../../src/server/packs/packs'),
      import('../../src/server/store/assets'),
      import('../../src/server/files/blobs'),
    ])
    const { document } = log.jobState(job)
    const key = menuKeyOf({ document, pack: pack(), assets: jobAssets(job), mode: 'release' })
    const styles = async (): Promise<string> => {
      await publish()
      const { manifest } = releases.getRelease(job, publications.livePublication(job)!.release)
      return String(await readBlob(manifest['index.html']!.hash))
    }
    const plain = await styles()
    await preparing.prepareRelease(job, { menu: { key: 'f'.repeat(16), from: 1400 } }, silent)
    expect(await styles()).toBe(plain)
    await preparing.prepareRelease(job, { menu: { key, from: 1400 } }, silent)
    expect(await styles()).toMatch(/87\.5rem/)
    await preparing.prepareRelease(job, { menu: { key, from: null } }, silent)
    expect(await styles()).toBe(plain)
  })

  test('runs once at a time: a second tab is told, and the first goes on', async () => {
    await takeAddress()
    const first = publish()
    await expect(publish()).rejects.toMatchObject({ code: 'publishingAlready' })
    await first
    await publish()
    expect(live().number).toBe(1)
  })

  test.each(['claim', 'deliver', 'send'] as const)(
    'that fails at %s says that nothing was switched, and can be done again',
    async (step) => {
      const name = await takeAddress()
      await publish()
      const before = host.sites.get(name)!.release
      change(`after ${step}`)
      host.failing = { [step]: step === 'send' ? 'full' : 'down' }
      await expect(publish()).rejects.toThrow(/Nothing was switched: visitors see what they saw before/)
      expect(host.sites.get(name)!.release).toBe(before)
      expect(publications.openPublications(job)).toEqual([])
      host.failing = {}
      await publish()
      expect(live()).toMatchObject({ number: 2, revision: 1 })
    },
  )

  test('whose switch was made though its answer was lost is taken for what it is', async () => {
    const name = await takeAddress()
    host.failing = { activate: 'answer lost' }
    await publish()
    expect(live()).toMatchObject({ address: name, number: 1 })
  })

  test('whose switch nobody can tell of stays open, says so, and is found out when the host answers', async () => {
    const name = await takeAddress()
    host.failing = { activate: 'answer lost', find: 'down' }
    await expect(publish()).rejects.toThrow(/is not known yet/)
    expect(publications.livePublication(job)).toBeNull()
    host.failing = {}
    await open.finishOpen()
    expect(live()).toMatchObject({ address: name, number: 1 })
  })

  test('cut off between the switch and our note is finished by the next start', async () => {
    const name = await takeAddress()
    await publish()
    change('cut off')
    const { revision } = log.jobState(job)
    host.failing = { activate: 'down', find: 'down' }
    await expect(publish()).rejects.toThrow()
    host.failing = {}
    // The host had switched, and the process died before it could note it; its task is still called running.
    const [cut] = publications.openPublications(job)
    host.sites.get(name)!.release = cut!.release
    tasks.beginTask({ id: `dead-${job}`, job, kind: 'publish', input: '{}' })
    start.startUp()
    await expect.poll(() => publications.openPublications(job).length).toBe(0)
    expect(live()).toEqual({ address: name, number: 2, revision })
    await publish()
  })

  test('with a damaged file here is refused before the switch, by its path', async () => {
    await takeAddress()
    host.failing = {}
    const { writeFileSync } = await import('node:fs')
    const { dataFolder } = await import('../../src/server/files/data-folder')
    const { manifest } = (await import('../../src/server/releases/prepared').then(({ prepareFiles }) =>
      prepareFiles(job, { ...log.jobState(job), alone: [] }, { id: 'web-host', to: host, address: `site-${names}` }, silent),
    )) as { manifest: Manifest }
    const { hash } = manifest['robots.txt']!
    writeFileSync(dataFolder('blobs', hash.slice(0, 2), hash), '')
    await expect(publish()).rejects.toThrow(/robots\.txt, is damaged/)
  })
})

describe('another address', () => {
  test('is sent nothing that the host has already, and the plan says so', async () => {
    await takeAddress()
    const { plan: first } = await preparing.prepareRelease(job, {}, silent)
    expect((await publish()).sentBytes).toBe(first.bytesToSend)
    await takeAddress()
    const { plan } = await preparing.prepareRelease(job, {}, silent)
    expect(plan.added.length).toBe(first.added.length)
    // Pages say their own address.
    expect(plan.bytesToSend).toBeLessThan(first.bytesToSend / 2)
    expect((await publish()).sentBytes).toBe(plan.bytesToSend)
  })

  test('sends visitors of the old one on; where that fails, it is live all the same, said, and tried again', async () => {
    const old = await takeAddress()
    await publish()
    const next = await takeAddress()
    host.failing = { redirect: 'down' }
    const done = await publish()
    expect(done.notSentOn).toBe(old)
    expect(live().address).toBe(next)
    expect(view.publishView(job).notSentOn).toBe(old)
    host.failing = {}
    await open.finishOpen()
    expect(host.sites.get(old)!.movedTo).toBe(next)
    expect(view.publishView(job).notSentOn).toBeNull()
  })

  test('stays when an earlier release is put back: its files are made anew for the address of now', async () => {
    const old = await takeAddress()
    await publish()
    const first = publications.livePublication(job)!.release
    change('later')
    const next = await takeAddress()
    await publish()
    await publishing.publish(job, { release: first }, silent, BY)
    expect(live()).toEqual({ address: next, number: 3, revision: 0 })
    expect(host.sites.get(old)!.movedTo).toBe(next)
    const { manifest } = releases.getRelease(job, publications.livePublication(job)!.release)
    const { readBlob } = await import('../../src/server/files/blobs')
    expect(readBlob(manifest['index.html']!.hash)!.toString()).toContain(`${next}.localhost`)
    expect(readBlob(manifest['index.html']!.hash)!.toString()).not.toContain('later')
  })

  test('that another job has is refused, with names that are free; one’s own is one’s own', async () => {
    const name = await takeAddress()
    expect(await address.askAddress(job, name)).toMatchObject({ state: 'yours' })
    const other = make.createJob(
      testSite({ name: 'Other & Co', address: { street: '', locality: 'Eastmere', postcode: '', country: '' } }).document,
    )
    const answer = await address.askAddress(other, name)
    expect(answer).toMatchObject({ state: 'taken', suggestions: expect.arrayContaining([expect.stringMatching(/other/)]) })
    await expect(address.chooseAddress(other, name, BY)).rejects.toMatchObject({ code: 'addressTaken' })
    host.sites.set('foreign', { owner: 'somebody', release: null })
    expect(await address.askAddress(other, 'foreign')).toMatchObject({ state: 'taken' })
    await expect(address.chooseAddress(other, 'not a name', BY)).rejects.toMatchObject({ code: 'addressWrong' })
  })
})

test('an earlier release of the same address is published as it is, and all of them are listed by their last switch', async () => {
  await takeAddress()
  await publish()
  const first = publications.livePublication(job)!.release
  change('two')
  await publish()
  await publishing.publish(job, { release: first }, silent, BY)
  expect(releases.publishedReleases(job, 'web-host').map((r) => r.number)).toEqual([1, 2])
  await expect(publishing.publish(job, { release: 'gone' }, silent, BY)).rejects.toMatchObject({ code: 'releaseGone' })
  forgetMemory('prepared')
})

test('a release says what was noted of it and by whom it went live last, also after it is put back', async () => {
  await takeAddress()
  const { revision } = log.jobState(job)
  await publishing.publish(job, { revision, note: '  Winter hours ' }, silent, BY)
  const first = publications.livePublication(job)!.release
  change('two')
  await publish()
  const other = { ...BY, person: { ...BY.person, id: 'person:other' } }
  await publishing.publish(job, { release: first }, silent, other)
  expect(releases.publishedReleases(job, 'web-host').map(({ number, note, person }) => [number, note.trim(), person])).toEqual([
    [1, 'Winter hours', 'person:other'],
    [2, '', BY.person.id],
  ])
  const asked = { revision, note: ' Winter hours ' }
  expect(v.parse(publishing.publishSchema, asked)).toEqual({ revision, note: 'Winter hours' })
  expect(v.is(publishing.publishSchema, { revision, note: 'x'.repeat(201) })).toBe(false)
  forgetMemory('prepared')
})

test('a site that has just gone live is not made again to say that nothing changed, and its map keeps its days', async () => {
  await takeAddress()
  await publish()
  const steps: string[] = []
  const { plan } = await preparing.prepareRelease(job, {}, ({ step }) => steps.push(step))
  expect([plan.added, plan.changed, plan.removed, steps]).toEqual([[], [], [], []])
})

test('the files of a release are taken as one zip, each as it is published; where one is gone it says which', async () => {
  const name = await takeAddress()
  await publish()
  const [take, blobs] = await Promise.all([import('../../src/server/use-cases/download-release'), import('../../src/server/files/blobs')])
  const id = publications.livePublication(job)!.release
  const { manifest } = releases.getRelease(job, id)
  const taken = async (): Promise<Uint8Array> => new Uint8Array(await new Response(take.downloadRelease(job, id).zip).arrayBuffer())
  expect(take.downloadRelease(job, id).name).toBe(`${name}-1.zip`)
  const zip = await taken()
  const files = unzipSync(zip)
  expect(Object.keys(files).sort()).toEqual(Object.keys(manifest).sort())
  for (const [path, bytes] of Object.entries(files)) expect(blobs.hashOf(bytes), path).toBe(manifest[path]!.hash)
  expect(Buffer.from(await taken()).equals(zip)).toBe(true)
  const { hash } = manifest['robots.txt']!
  rmSync(dataFolder('blobs', hash.slice(0, 2), hash))
  expect(() => take.downloadRelease(job, id)).toThrow(/robots\.txt/)
  blobs.keepBlob(Buffer.from(files['robots.txt']!))
  forgetMemory('prepared')
})
