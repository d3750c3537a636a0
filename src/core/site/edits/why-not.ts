import type { EditProblem } from './problem'

/** Why a change could not be made, as the end of a sentence that a person reads. */
export function whyNot(problem: EditProblem): string {
  switch (problem.code) {
    case 'sectionGone':
      return 'the section it was made in is gone'
    case 'pageGone':
      return 'the page it was made on is gone'
    case 'entryGone':
      return 'the entry it was made in is gone'
    case 'addressTaken':
      return `there is a page at “/${problem.segment}/” already`
    case 'addressReserved':
      return `“/${problem.segment}/” is an address that servers keep for themselves`
    case 'pageInItself':
      return 'a page cannot stand under itself'
    case 'tooDeep':
      return 'pages stand on three levels at most'
    case 'homeHidden':
      return 'the home page is what visitors come to, so it cannot be hidden'
    case 'lastPage':
      return 'a site keeps at least one page'
    case 'tooMany':
      return `there are as many ${problem.of} as fit already`
    case 'idTaken':
      return 'it was made already'
    case 'ownWordsGone':
      return 'the words that it says in another language are gone'
    case 'slotUnknown':
    case 'valueWrong':
      return 'its place takes something else'
    default:
      return problem satisfies never
  }
}
