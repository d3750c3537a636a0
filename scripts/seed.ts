import { readFileSync } from 'node:fs'
import path from 'node:path'
import { nanoid } from 'nanoid'
import { parseLinkTarget } from '../src/core/pack'
import { arrangementOf, findSlotType, richFromPlain, type EditStep, type PageId, type SectionId, type SectionKind, type SiteDocument, type SlotValue } from '../src/core/site'

/** Makes the demo's jobs through the application's own doors: the same requests that its screens send. */
type Demo = { template?: string; take?: string[]; draft?: boolean; facts: object; brand: { colour?: string; second?: string; logo?: string }; pages: Record<string, string>; sections: Record<string, Record<string, unknown>> }
type Given = string | { picture: string; alt: string; focus?: { x: number; y: number } } | { label: string; to: string }

const folder = path.join(import.meta.dirname, '..', 'demo')

export async function seed(app: string): Promise<void> {
  const published = await makeJob(app, 'tolliver-and-wren.json')
  await publish(app, published, 'tolliver-and-wren')
  await apply(app, published, [{ type: 'slot/set', section: 'home.hero' as SectionId, slot: 'heading', value: { type: 'text', text: 'It stopped. That is where we start.' } }])
  await publish(app, published, 'tolliver-and-wren')
  await makeJob(app, 'saltmarsh-physiotherapy.json')
  await makeJob(app, 'ferncombe-nursery.json')
  await makeJob(app, 'tarrow-electrical.json')
}

async function makeJob(app: string, file: string): Promise<string> {
  const demo = JSON.parse(readFileSync(path.join(folder, file), 'utf8')) as Demo
  const { job } = await ask<{ job: string }>(`${app}/api/jobs`, 'POST', { template: demo.template ?? 'tallow', facts: demo.facts, brand: withoutLogo(demo.brand), draft: demo.draft ?? false })
  const { document } = await ask<{ document: SiteDocument }>(`${app}/api/jobs/${job}`, 'GET')
  const assets = new Map<string, string>()
  const upload = async (name: string): Promise<string> => {
    const known = assets.get(name)
    if (known) return known
    const response = await fetch(`${app}/api/jobs/${job}/assets?name=${name}`, { method: 'POST', body: new Uint8Array(readFileSync(path.join(folder, 'pictures', name))) })
    if (!response.ok) throw new Error(`${name}: ${await response.text()}`)
    const { asset } = (await response.json()) as { asset: { id: string } }
    assets.set(name, asset.id)
    return asset.id
  }
  if (demo.take) {
    const now = arrangementOf(document)
    await apply(app, job, [{ type: 'arrange', to: { ...now, pages: now.pages.filter((p) => demo.take?.includes(p.id)) } }])
  }
  const edits: EditStep[] = Object.entries(demo.pages).map(([page, value]) => ({ type: 'page/set', page: page as PageId, part: 'description', value }))
  if (demo.brand.logo) {
    const logo = await upload(demo.brand.logo)
    const { asset } = await ask<{ asset: { id: string } }>(`${app}/api/assets/one-colour`, 'POST', { asset: logo, colour: '#ffffff', job })
    edits.push({ type: 'brand/set', part: 'logo', value: logo }, { type: 'brand/set', part: 'logo-on-dark', value: asset.id })
  }
  for (const section of [document.header, ...document.pages.filter((p) => demo.take?.includes(p.id) ?? true).flatMap((p) => p.sections), document.footer]) {
    for (const [slot, given] of Object.entries(demo.sections[section.id] ?? {})) edits.push(...(await slotEdits(section, slot, given, upload)))
  }
  if (edits.length > 0) await apply(app, job, edits)
  return job
}

/** The logo is sent once the job is there. */
function withoutLogo(brand: Demo['brand']): object {
  const { logo: _, ...colours } = brand
  return colours
}

async function slotEdits(section: { id: SectionId; kind: SectionKind }, slot: string, given: unknown, upload: (name: string) => Promise<string>): Promise<EditStep[]> {
  if (Array.isArray(given)) {
    const order: EditStep = { type: 'slot/set', section: section.id, slot, value: { type: 'list', order: given.map((_, i) => `t${i + 1}`) } }
    const partial = given.length < 4 // A half-fitted list keeps the template's further entries in sight.
    const fields = await Promise.all(given.flatMap((item: Record<string, Given>, i) => Object.entries(item).map(([field, value]) => slotEdits(section, `${slot}/t${i + 1}/${field}`, value, upload))))
    return [...(partial && section.id === 'home.services' ? [] : [order]), ...fields.flat()]
  }
  const type = findSlotType(section.kind, slot)
  return type === null ? [] : [{ type: 'slot/set', section: section.id, slot, value: await toValue(type, given as Given, upload) }]
}

async function toValue(type: string, given: Given, upload: (name: string) => Promise<string>): Promise<SlotValue> {
  if (typeof given === 'string') return type === 'rich' ? { type: 'rich', rich: richFromPlain(given) } : { type: 'text', text: given }
  if ('picture' in given) return { type: 'image', asset: await upload(given.picture), alt: given.alt, ...(given.focus ? { focus: given.focus } : {}) }
  const to = parseLinkTarget(given.to)
  if (!to) throw new Error(`The demo's link to ${given.to} leads nowhere`)
  return { type: 'link', label: given.label, to }
}

export async function apply(app: string, job: string, edits: EditStep[]): Promise<void> {
  const { revision } = await ask<{ revision: number }>(`${app}/api/jobs/${job}`, 'GET')
  await ask(`${app}/api/jobs/${job}/edits`, 'POST', { base: revision, rows: [{ id: nanoid(), edit: { type: 'batch', edits }, group: nanoid(8), mark: 'do' }] })
}

export async function publish(app: string, job: string, address: string): Promise<void> {
  await ask(`${app}/api/jobs/${job}/address`, 'PUT', { name: address })
  const { release } = await askLong<{ release: string }>(`${app}/api/jobs/${job}/prepare`, {})
  await askLong(`${app}/api/jobs/${job}/publish`, { release })
}

async function ask<T>(url: string, method: string, body?: unknown): Promise<T> {
  const response = await fetch(url, { method, ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }) })
  if (!response.ok) throw new Error(`${method} ${url}: ${response.status} ${await response.text()}`)
  return (await response.json()) as T
}

async function askLong<T>(url: string, body: unknown): Promise<T> {
  const response = await fetch(url, { method: 'POST', body: JSON.stringify(body), headers: { 'content-type': 'application/json' } })
  const last = JSON.parse((await response.text()).trim().split('\n').at(-1) ?? '{}') as { result?: T }
  if (!last.result) throw new Error(`${url}: ${JSON.stringify(last)}`)
  return last.result
}

if (process.argv[1] === import.meta.filename) await seed(process.argv[2] ?? 'http://127.0.0.1:4310')
