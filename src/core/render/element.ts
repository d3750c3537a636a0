import type { DesignElement } from '../pack'
import { attribute } from './escape'
import { shownFact } from './shown-fact'
import type { PageScope } from './site'

const VOID_TAGS = new Set(['img', 'br', 'hr'])

/** An element of a design as HTML, its own attributes first. */
export function tag(element: DesignElement, extra: string, inner: string): string {
  let attributes = ''
  for (const name in element.attrs) attributes += attribute(name, element.attrs[name] ?? '')
  return VOID_TAGS.has(element.tag) ? `<${element.tag}${attributes}${extra}>` : `<${element.tag}${attributes}${extra}>${inner}</${element.tag}>`
}

/** Draft only: names the fact for the editor, and says whether the template's is still shown. */
export function factMark(scope: PageScope, fact: string): string {
  if (scope.site.mode === 'release') return ''
  const name = fact === 'locality' ? 'address' : fact
  return attribute('data-fact', name) + (shownFact(scope.site, name as 'phone').leftover ? ' data-basted=""' : '')
}

/** Letters of scripts that run from right to left: Unicode’s ranges from Hebrew to Arabic Extended-A, and the presentation forms. */
export const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufefc]/
