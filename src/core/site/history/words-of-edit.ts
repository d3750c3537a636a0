import { stepsOf, type Edit, type EditStep } from '../edits'
import { ownValue, type Cell } from '../document'
import { wordsInAll } from '../values'

/** The words that a change carries, so that they can be read and copied where it could not be kept. */
export function wordsOfEdit(edit: Edit): string[] {
  return stepsOf(edit)
    .flatMap(wordsOfStep)
    .map((words) => words.trim())
    .filter((words) => words !== '')
}

function wordsOfStep(step: EditStep): string[] {
  switch (step.type) {
    case 'slot/set':
      return step.value ? wordsIn([step.value]) : []
    case 'fact/set':
    case 'page/set':
      return typeof step.value === 'string' ? [step.value] : []
    case 'label/set':
      return step.value ? [step.value.text] : []
    case 'section/insert':
      return wordsIn(Object.values(step.section.slots))
    case 'entry/insert':
      return wordsIn(Object.values(step.slots))
    case 'page/insert':
      return Object.values(step.page.texts).flatMap((cell) => (cell ? [cell.text] : []))
    case 'signpost/set':
      return step.value ? [step.value.label.text] : []
    case 'as-is/set':
      return [step.words.slice(step.words.indexOf(' ') + 1)]
    case 'collection/set':
      return step.value ? [step.value.name.text] : []
    case 'plan/set':
    case 'redirect/set':
    case 'verification/set':
    case 'brand/set':
    case 'dress/set':
    case 'page/remove':
    case 'page/move':
    case 'section/remove':
    case 'section/move':
    case 'section/set':
    case 'entry/remove':
    case 'entry/move':
    case 'entry/set':
    case 'outfit/set':
      return []
    default:
      return step satisfies never
  }
}

/**
 * The words that cells say of their own, in every language; that one follows another is no words, and how many entries a list has neither.
 */
function wordsIn(cells: readonly Cell[]): string[] {
  return cells.flatMap((cell) => {
    const value = ownValue(cell)
    return value && value.type !== 'list' ? wordsInAll(value) : []
  })
}
