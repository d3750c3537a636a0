/** The columns of the ledger: the place, the template's, the client's, the fit, the state. */
export const ROW_GRID = 'grid grid-cols-[11rem_minmax(0,1fr)_minmax(0,1.55fr)_13.5rem_12.5rem] gap-x-4'

/** What a row shows while a hand or the focus is on it: there all the time, so that nothing moves as a row comes in hand. */
export const OF_ROW_IN_HAND =
  'opacity-0 group-hover/row:opacity-100 group-focus-within/row:opacity-100 group-aria-[current]/row:opacity-100 ' +
  'data-[state=open]:opacity-100'
