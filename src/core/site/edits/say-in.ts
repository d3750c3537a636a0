import { cellAt, inLanguage, siteLanguage, type SiteDocument } from '../document'
import type { Language } from '../language'
import { typeOf } from '../values'
import { stepsOf, toEdit, type Edit } from './edit'
import type { EditStep } from './step-type'

/**
 * An edit that was made to a site as it is said in a language (`inLanguage`), for the site itself: words are said in that language alone,
 * and all else is done for all of them. The same edit where the language is the site's own.
 */
export function sayIn(document: SiteDocument, edit: Edit, language: Language): Edit {
  if (language === siteLanguage(document)) return edit
  const spoken = inLanguage(document, language)
  return toEdit(stepsOf(edit).flatMap((step) => stepIn(document, spoken, step, language)))
}

function stepIn(document: SiteDocument, spoken: SiteDocument, step: EditStep, language: Language): readonly EditStep[] {
  switch (step.type) {
    case 'fact/set':
      return [step.fact === 'language' ? step : { ...step, language }]
    case 'label/set':
      return [{ ...step, language }]
    case 'page/set':
      return [isText(step) ? { ...step, language } : step]
    case 'slot/set':
      return slotIn(document, spoken, step, language)
    default:
      return [step]
  }
}

type PageSet = Extract<EditStep, { type: 'page/set' }>
function isText(step: PageSet): step is Extract<PageSet, { language?: unknown }> {
  return step.part === 'name' || step.part === 'label' || step.part === 'title' || step.part === 'description'
}

type SlotSet = Extract<EditStep, { type: 'slot/set' }>
/** What of a value is words is said in the language; what is not, such as where a link leads or which picture it is, is for all. */
function slotIn(document: SiteDocument, spoken: SiteDocument, step: SlotSet, language: Language): readonly EditStep[] {
  const [own, before] = [cellAt(document, step), cellAt(spoken, step)]
  const { value } = step
  if (value === null || value.type === 'same' || typeOf(value).said.length === 0 || own === undefined || own.type !== value.type)
    return [step]
  const words = new Set<string>(typeOf(value).said)
  const rest = (of: object): string =>
    JSON.stringify(
      Object.entries(of)
        .filter(([part]) => part !== 'said' && !words.has(part))
        .sort(),
    )
  const said: EditStep = { ...step, language }
  if (before?.type === value.type && rest(before) === rest(value)) return [said]
  const parts = Object.entries(own).filter(([part]) => words.has(part))
  const others = Object.entries(value).filter(([part]) => part !== 'said' && !words.has(part))
  const put = Object.fromEntries([...others, ...parts]) as typeof own
  return [{ ...step, value: put }, said]
}
