import { readFileSync } from 'node:fs'
import path from 'node:path'
import { nanoid } from 'nanoid'
import { enter, type SignedIn } from './enter'
import { parseLinkTarget } from '../src/core/pack'
import { parseMarked } from '../src/core/rich'
import {
  allSections,
  findPage,
  findSlotType,
  toEdit,
  type EditStep,
  type EntryRef,
  type PageId,
  type SectionId,
  type SectionKind,
  type SiteDocument,
  type SlotType,
  type SlotValue,
} from '../src/core/site'

/** Makes the demo's jobs through the application's own doors: the same requests that its screens send. */
type Demo = {
  template?: string
  take?: string[]
  draft?: boolean
  facts: object
  brand: { colour?: string; second?: string; logo?: string }
  /** Descriptions of pages. */
  pages: Record<string, string>
  /** What the menu calls pages; their addresses are kept as they are. */
  names?: Record<string, string>
  labels?: Record<string, string>
  sections: Record<string, Record<string, unknown>>
}
type Given = string | { picture: string; alt: string; focus?: { x: number; y: number } } | { label: string; to: string }

const folder = path.join(import.meta.dirname, '..', 'demo')

/** An application, and as whom it is asked. */
export type Door = { readonly app: string; readonly as: SignedIn }

export async function seed(door: Door): Promise<void> {
  const published = await makeJob(door, 'tolliver-and-wren.json')
  await publish(door, published, 'tolliver-and-wren', 'For Ms Wren to look at')
  await apply(door, published, [
    {
      type: 'slot/set',
      section: 'home.hero' as SectionId,
      entry: null,
      slot: 'heading',
      value: { type: 'text', text: 'It stopped. That is where we start.' },
    },
  ])
  await publish(door, published, 'tolliver-and-wren', 'With her corrections')
  await makeJob(door, 'saltmarsh-physiotherapy.json')
  await makeJob(door, 'ferncombe-nursery.json')
  await makeJob(door, 'tarrow-electrical.json')
}

type Opened = { readonly revision: number; readonly document: SiteDocument }

async function makeJob(door: Door, file: string): Promise<string> {
  const demo = JSON.parse(readFileSync(path.join(folder, file), 'utf8')) as Demo
  const { job } = await ask<{ job: string }>(door, `/api/jobs`, 'POST', {
    template: demo.template ?? 'tallow',
    facts: demo.facts,
    brand: withoutLogo(demo.brand),
    draft: demo.draft ?? false,
  })
  const upload = makeUpload(door, job)
  if (demo.take) {
    const { document } = await ask<Opened>(door, `/api/jobs/${job}`, 'GET')
    const gone = Object.keys(document.pages).filter((page) => !demo.take?.includes(page))
    await apply(
      door,
      job,
      gone.map((page): EditStep => ({ type: 'page/remove', page: page as PageId })),
    )
  }
  const { document } = await ask<Opened>(door, `/api/jobs/${job}`, 'GET')
  const edits: EditStep[] = Object.entries(demo.pages)
    .filter(([page]) => findPage(document, page))
    .map(([page, value]) => ({ type: 'page/set', page: page as PageId, part: 'description', value }))
  for (const [page, value] of Object.entries(demo.names ?? {}).filter(([id]) => findPage(document, id)))
    edits.push(
      { type: 'page/set', page: page as PageId, part: 'name', value },
      { type: 'page/set', page: page as PageId, part: 'addressed', value: true },
    )
  for (const [label, text] of Object.entries(demo.labels ?? {})) edits.push({ type: 'label/set', label, value: { text } })
  if (demo.brand.logo) {
    const logo = await upload(demo.brand.logo)
    const { asset } = await ask<{ asset: { id: string } }>(door, `/api/assets/one-colour`, 'POST', { asset: logo, colour: '#ffffff', job })
    edits.push({ type: 'brand/set', part: 'logo', value: logo }, { type: 'brand/set', part: 'logo-on-dark', value: asset.id })
  }
  for (const section of allSections(document)) {
    for (const [slot, given] of Object.entries(demo.sections[section.id] ?? {}))
      edits.push(...(await slotEdits(section, slot, given, upload)))
  }
  if (edits.length > 0) await apply(door, job, edits)
  return job
}

type Upload = (name: string) => Promise<string>

function makeUpload(door: Door, job: string): Upload {
  const assets = new Map<string, string>()
  return async (name) => {
    const known = assets.get(name)
    if (known) return known
    const body = new Uint8Array(readFileSync(path.join(folder, 'pictures', name)))
    const response = await fetch(`${door.app}/api/jobs/${job}/assets?name=${name}`, { method: 'POST', headers: door.as, body })
    if (!response.ok) throw new Error(`${name}: ${await response.text()}`)
    const { asset } = (await response.json()) as { asset: { id: string } }
    assets.set(name, asset.id)
    return asset.id
  }
}

/** The logo is sent once the job is there. */
function withoutLogo(brand: Demo['brand']): object {
  const { logo: _, ...colours } = brand
  return colours
}

type At = { readonly id: SectionId; readonly kind: SectionKind }

async function slotEdits(section: At, slot: string, given: unknown, upload: Upload): Promise<EditStep[]> {
  if (!Array.isArray(given)) return fieldEdits(section, null, slot, given as Given, upload)
  // A half-fitted list keeps the template's further entries in sight.
  const isPartial = given.length < 4 && section.id === 'home.services'
  const count: EditStep = { type: 'slot/set', section: section.id, entry: null, slot, value: { type: 'list', of: given.length } }
  const fields = given.flatMap((item: Record<string, Given>, i) =>
    Object.entries(item).map(([field, value]) => fieldEdits(section, { list: slot, nth: i + 1 }, field, value, upload)),
  )
  return [...(isPartial ? [] : [count]), ...(await Promise.all(fields)).flat()]
}

async function fieldEdits({ id, kind }: At, entry: EntryRef | null, slot: string, given: Given, upload: Upload): Promise<EditStep[]> {
  const type = findSlotType(kind, entry?.list ?? null, slot)
  return type === null || type === 'list' ? [] : [{ type: 'slot/set', section: id, entry, slot, value: await toValue(type, given, upload) }]
}

async function toValue(type: SlotType, given: Given, upload: Upload): Promise<SlotValue> {
  if (typeof given === 'string') return type === 'rich' ? { type: 'rich', rich: parseMarked(given) } : { type: 'text', text: given }
  if ('picture' in given)
    return { type: 'image', asset: await upload(given.picture), alt: given.alt, ...(given.focus ? { focus: given.focus } : {}) }
  const to = parseLinkTarget(given.to)
  if (!to) throw new Error(`The demo's link to ${given.to} leads nowhere`)
  return { type: 'link', label: given.label, to }
}

export async function apply(door: Door, job: string, edits: readonly EditStep[]): Promise<void> {
  const { revision } = await ask<Opened>(door, `/api/jobs/${job}`, 'GET')
  const row = { id: nanoid(), gesture: nanoid(10), undoes: null, edit: toEdit(edits) }
  const { refused } = await ask<{ refused: { problem: { sentence: string } }[] }>(door, `/api/jobs/${job}/edits`, 'POST', {
    base: revision,
    who: null,
    rows: [row],
  })
  if (refused[0]) throw new Error(refused[0].problem.sentence)
}

export async function publish(door: Door, job: string, address: string, note = ''): Promise<void> {
  await ask(door, `/api/jobs/${job}/address`, 'PUT', { name: address })
  const { revision } = await askLong<{ revision: number }>(door, `/api/jobs/${job}/prepare`, {})
  await askLong(door, `/api/jobs/${job}/publish`, { revision, note })
}

async function ask<T>({ app, as }: Door, path: string, method: string, body?: unknown): Promise<T> {
  const response = await fetch(app + path, {
    method,
    headers: { ...as, 'content-type': 'application/json' },
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${await response.text()}`)
  return (await response.json()) as T
}

async function askLong<T>({ app, as }: Door, path: string, body: unknown): Promise<T> {
  const headers = { ...as, 'content-type': 'application/json' }
  const response = await fetch(app + path, { method: 'POST', body: JSON.stringify(body), headers })
  const last = JSON.parse((await response.text()).trim().split('\n').at(-1) ?? '{}') as { result?: T }
  if (!last.result) throw new Error(`${path}: ${JSON.stringify(last)}`)
  return last.result
}

if (process.argv[1] === import.meta.filename) {
  const app = process.argv[2] ?? 'http://127.0.0.1:4310'
  await seed({ app, as: await enter(app) })
}
