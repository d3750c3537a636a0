import { escapeText } from './html/escape'
import { shownFact } from '../fill'
import type { Site } from '../fill'

/** One of each thing that has a shape, on paper and on ink: buttons, fields, a panel, a rule. */
export function renderShapeBoard(site: Site): string {
  const name = escapeText(shownFact(site, 'name').text)
  const row = (tone: 'paper' | 'ink'): string =>
    `<div class="tone-${tone}"><a class="button" href="#">Ask for a visit</a><label>Name <input size="14" ` +
    `value="${name.replaceAll('"', '')}"></label><label>About <select><option>A repair</option></select></label><p ` +
    `class="panel">A panel of ${name}</p><hr></div>`
  return row('paper') + row('ink')
}
