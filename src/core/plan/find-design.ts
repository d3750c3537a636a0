import type { Pack, Template, TemplatePage } from '../pack'
import { getTemplate } from '../pack'
import type { PageOrigin, SectionKind, SiteDocument } from '../site'

/**
 * Words by which the pages of small businesses go, with the kind of section that such a page is about. From memory of everyday use, in
 * English, German, French and Spanish; pages of templates are found by their own names in any language.
 */
const ABOUT: readonly (readonly [SectionKind, RegExp])[] = [
  ['prices', /price|rates?\b|fees?\b|tariff|cost|preise|tarif|prix|precios/i],
  ['gallery', /galler|portfolio|projects?\b|\bwork\b|photos?\b|pictures|galerie|projekte|referenzen|réalisations|galer[ií]a|proyectos/i],
  ['questions', /questions?|faq|help\b|fragen|preguntas/i],
  ['team', /\bteam\b|people|staff|equipe|équipe|equipo/i],
  ['testimonials', /testimonial|reviews?\b|kind words|kundenstimmen|avis\b|opiniones/i],
  ['legal', /legal|terms|privacy|small print|imprint|impressum|datenschutz|agb\b|mentions|aviso/i],
  ['areas', /areas?\b|where we work|coverage|einzugsgebiet|zones?\b/i],
  ['steps', /how (it|we) works?|process|ablauf|déroulement/i],
  ['contact', /contact|book|get in touch|visit|find us|directions|location|kontakt|anfahrt|accès|contacto|cómo llegar/i],
  ['services', /services?|what we do|treatments?|leistungen|angebot|prestations|servicios/i],
  ['story', /about|story|who we are|über uns|ueber uns|à propos|nosotros/i],
]

const folded = (words: string): string => words.normalize('NFKC').trim().toLocaleLowerCase()

/** The kind of section that a page of a name is about; null where the name says none. */
export function kindOfName(name: string): SectionKind | null {
  return ABOUT.find(([, words]) => words.test(name))?.[0] ?? null
}

/** What a template's page is about: as its name says, else the first kind of its sections that says more than any page does. */
export function kindOfPage(page: TemplatePage): SectionKind | null {
  // A page that opens like a home page is made for one campaign, and is about nothing that other sites need.
  if (page.sections[0]?.kind === 'hero') return null
  return kindOfName(page.key) ?? kindOfName(page.name) ?? page.sections.map((s) => s.kind).find((kind) => !COMMON.has(kind)) ?? null
}

const COMMON: ReadonlySet<string> = new Set(['title', 'hero', 'action', 'notice', 'story', 'quote'])

/**
 * The page design that a name asks for: of the template that the site wears where it has one, else of another. By the page's own name
 * first, then by what the name is about. Null: nothing is like it, and the page begins blank.
 */
export function findPageDesign(pack: Pack, document: SiteDocument, name: string): PageOrigin | null {
  const worn = getTemplate(pack, document.dress.template)
  const templates = [worn, ...Object.values(pack.templates).filter((t) => t !== worn)]
  const asked = folded(name)
  const kind = kindOfName(name)
  const find = (is: (page: TemplatePage) => boolean): PageOrigin | null => {
    for (const template of templates) {
      const page = template.pages.slice(1).find(is)
      if (page) return { template: template.id, page: page.key }
    }
    return null
  }
  const own = originIn(worn, (page) => [page.name, page.key, page.segment].some((word) => folded(word) === asked))
  return own ?? (kind ? (originIn(worn, (page) => kindOfPage(page) === kind) ?? find((page) => kindOfPage(page) === kind)) : null)
}

function originIn(template: Template, is: (page: TemplatePage) => boolean): PageOrigin | null {
  const page = template.pages.slice(1).find(is)
  return page ? { template: template.id, page: page.key } : null
}
