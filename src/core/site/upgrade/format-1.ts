/**
 * Documents and edits of format 1, as they were written: frozen, and read by nothing but the upgraders. Pages held their
 * sections, a place was a path (`items/t1/title`), where a thing came from was a string, and a change of template was one
 * `arrange` that set everything. What the log holds was accepted once, so nothing is checked again here.
 */
export type Value1 = { readonly type: string; readonly order?: readonly string[] } & Readonly<Record<string, unknown>>
export type Section1 = {
  readonly id: string
  readonly kind: string
  readonly design: string
  readonly tone: string
  readonly from: string | null
  readonly slots?: Readonly<Record<string, Value1>>
}
export type Page1 = {
  readonly id: string
  readonly from: string | null
  readonly segment: string
  readonly menu?: 'foot' | 'none'
  readonly name?: string
  readonly title?: string
  readonly description?: string
  readonly sections: readonly Section1[]
}
export type Worn1 = {
  readonly template: string
  readonly scheme?: string
  readonly dark?: true | 'visitor'
  readonly header: Section1
  readonly footer: Section1
  readonly pages: readonly Page1[]
}
export type Document1 = Worn1 & {
  readonly format: 1
  readonly language: string
  readonly facts: Readonly<Record<string, unknown>>
  readonly brand: Readonly<Record<string, unknown>>
  readonly worn?: Readonly<Record<string, Worn1>>
}
type Arrangement1 = Worn1 & { readonly worn?: Readonly<Record<string, Worn1>> }
export type Step1 =
  | { readonly type: 'slot/set'; readonly section: string; readonly slot: string; readonly value: Value1 | null }
  | { readonly type: 'fact/set'; readonly fact: string; readonly value: unknown }
  | { readonly type: 'brand/set'; readonly part: string; readonly value?: unknown }
  | { readonly type: 'page/set'; readonly page: string; readonly part: 'name' | 'title' | 'description'; readonly value: string | null }
  | { readonly type: 'section/set'; readonly section: string; readonly part: 'design' | 'tone'; readonly value: string }
  | { readonly type: 'scheme/set'; readonly scheme: string | null; readonly dark: boolean | 'visitor' }
  | { readonly type: 'arrange'; readonly to: Arrangement1 }
export type Edit1 = Step1 | { readonly type: 'batch'; readonly edits: readonly Step1[] }

/** The document after an edit, both of format 1. */
export function applyEdit1(document: Document1, edit: Edit1): Document1 {
  return edit.type === 'batch' ? edit.edits.reduce(applyStep1, document) : applyStep1(document, edit)
}

function applyStep1(document: Document1, step: Step1): Document1 {
  switch (step.type) {
    case 'slot/set':
      return withSection(document, step.section, (s) => ({ ...s, slots: withOrWithout(s.slots ?? {}, step.slot, step.value) }))
    case 'fact/set':
      return { ...document, facts: withOrWithout(document.facts, step.fact, step.value) }
    case 'brand/set':
      return { ...document, brand: withOrWithout(document.brand, step.part, step.value ?? null) }
    case 'page/set':
      return { ...document, pages: document.pages.map((p) => (p.id === step.page ? withOrWithout(p, step.part, step.value) : p)) }
    case 'section/set':
      return withSection(document, step.section, (s) => ({ ...s, [step.part]: step.value }))
    case 'scheme/set':
      return withOrWithout(withOrWithout(document, 'scheme', step.scheme), 'dark', step.dark === false ? null : step.dark)
    case 'arrange':
      return arrange1(document, step.to)
    default:
      return step satisfies never
  }
}

function withOrWithout<T extends object>(of: T, key: string, value: unknown): T {
  const { [key]: _, ...rest } = of as Record<string, unknown>
  return (value === null || value === undefined ? rest : { ...rest, [key]: value }) as T
}

function withSection(document: Document1, id: string, change: (section: Section1) => Section1): Document1 {
  const swap = (section: Section1): Section1 => (section.id === id ? change(section) : section)
  const pages = document.pages.map((page) => ({ ...page, sections: page.sections.map(swap) }))
  return { ...document, header: swap(document.header), footer: swap(document.footer), pages }
}

/** Everything of a site that is not content, set at once: what was in the document kept its content, wherever it then stood. */
function arrange1(document: Document1, to: Arrangement1): Document1 {
  const known = new Map([document.header, ...document.pages.flatMap((p) => p.sections), document.footer].map((s) => [s.id, s]))
  const texts = new Map(document.pages.map((p) => [p.id, p]))
  const section = (placed: Section1): Section1 => {
    const before = known.get(placed.id)
    return { ...placed, slots: before && before.kind === placed.kind ? (before.slots ?? {}) : (placed.slots ?? {}) }
  }
  const page = (placed: Page1): Page1 => {
    const own = texts.get(placed.id) ?? placed
    const bare = (['name', 'title', 'description'] as const).reduce((p, part) => withOrWithout(p, part, own[part] ?? null), placed)
    return { ...bare, sections: placed.sections.map(section) }
  }
  const dressed = (['scheme', 'dark', 'worn'] as const).reduce((d, part) => withOrWithout(d, part, to[part] ?? null), document)
  return { ...dressed, template: to.template, header: section(to.header), footer: section(to.footer), pages: to.pages.map(page) }
}
