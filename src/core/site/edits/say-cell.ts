import { own, withValue } from '../../own'
import type { Language, Said } from '../language'
import { isSame } from '../values'

/** What a cell says: in the site's own language (null: nothing), and in others. */
type Spoken<T> = { readonly own: T | null; readonly said: Said<T> }
/** What says something: without a language, in the site's own. */
type SaidStep<T> = { readonly value: T | null; readonly language?: Language | undefined }
type TextCell = { readonly text: string; readonly said?: Said<string> | undefined }

/** A cell with something said in one language. What is said in others stays; without words of its own it is none, and they go with them. */
export function say<T>({ own: before, said }: Spoken<T>, { value, language }: SaidStep<T>): Spoken<T> {
  if (language !== undefined) return { own: before, said: withValue(said, language, value) }
  return { own: value, said: value === null ? {} : said }
}

/** The steps that make of one cell another, its own words first; none where both say the same. */
export function saidSteps<T>(was: Spoken<T>, is: Spoken<T>): readonly SaidStep<T>[] {
  const owned = isSame(was.own, is.own) ? [] : [{ value: is.own }]
  if (is.own === null) return owned
  const languages = new Set([...Object.keys(was.said), ...Object.keys(is.said)])
  const others = [...languages].filter((language) => !isSame(own(was.said, language), own(is.said, language)))
  return [...owned, ...others.map((language) => ({ value: own(is.said, language) ?? null, language }))]
}

export function spokenText(cell: TextCell | undefined): Spoken<string> {
  return { own: cell?.text ?? null, said: cell?.said ?? {} }
}

export function toTextCell({ own: text, said }: Spoken<string>): TextCell | null {
  return text === null ? null : { text, ...(Object.keys(said).length > 0 && { said }) }
}
