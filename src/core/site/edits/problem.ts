/** Why an edit could not be made: its place is gone, or takes something else. */
export type EditProblem =
  | { readonly code: 'sectionGone'; readonly section: string }
  | { readonly code: 'pageGone'; readonly page: string }
  | { readonly code: 'entryGone'; readonly entry: string }
  | { readonly code: 'slotUnknown'; readonly slot: string }
  | { readonly code: 'valueWrong'; readonly place: string }
  /** Words in another language for a place that says nothing in the site's own. */
  | { readonly code: 'ownWordsGone' }
  | { readonly code: 'idTaken'; readonly id: string }
  | { readonly code: 'addressTaken'; readonly segment: string }
  | { readonly code: 'addressReserved'; readonly segment: string }
  | { readonly code: 'lastPage' }
  /** A page would stand under itself. */
  | { readonly code: 'pageInItself' }
  | { readonly code: 'tooDeep' }
  | { readonly code: 'homeHidden' }
  | { readonly code: 'tooMany'; readonly of: string }
