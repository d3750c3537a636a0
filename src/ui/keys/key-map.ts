/** Where keys work: everywhere in a job, or on a screen or a part of one that has the focus. */
export const KEY_PLACES = {
  job: 'Everywhere in a job',
  content: 'Content, on the sheets and in the ledger',
  row: 'Content, on a row of the ledger',
  words: 'In words that take several lines',
  pages: 'Pages',
  sections: 'Pages, on a section',
  template: 'Template, on a template',
  brand: 'Brand',
  jobs: 'The list of jobs',
} as const
export type KeyPlace = keyof typeof KEY_PLACES

type KeyDoes = {
  /**
   * Each way to press it: modifiers and a key joined by `+`, as tinykeys reads them. `$mod` is Command on Apple’s computers and Control
   * elsewhere. With Alt a key is named by its place (`KeyK`, UI Events `code`): there Alt with a letter types a sign.
   */
  readonly keys: readonly string[]
  readonly does: string
  readonly at: KeyPlace
}

/** Every key that does something of ours: the one table that handlers, hints, menus and the help are drawn from. */
export const KEY_MAP = {
  help: { keys: ['Shift+?', '?'], does: 'Show what this screen is for, and all keys', at: 'job' },
  goTo: { keys: ['/', 'Shift+/'], does: 'Go to anything', at: 'job' },
  undo: { keys: ['$mod+z'], does: 'Undo', at: 'job' },
  redo: { keys: ['$mod+Shift+z', '$mod+y'], does: 'Redo', at: 'job' },
  nextLeftover: { keys: ['F8'], does: 'Go to the next leftover', at: 'content' },
  previousLeftover: { keys: ['Shift+F8'], does: 'Go to the leftover before', at: 'content' },
  keep: { keys: ['Alt+KeyK'], does: 'Keep the template’s words', at: 'content' },
  spare: { keys: ['Alt+KeyN'], does: 'Mark as not needed', at: 'content' },
  designs: { keys: ['Alt+KeyD'], does: 'Walk through the designs', at: 'content' },
  near: { keys: ['Alt+KeyL'], does: 'Show what is to check', at: 'content' },
  find: { keys: ['$mod+h'], does: 'Find and replace words', at: 'content' },
  down: { keys: ['Enter', '$mod+Enter'], does: 'Go down', at: 'content' },
  up: { keys: ['Shift+Enter', '$mod+Shift+Enter'], does: 'Go up', at: 'content' },
  leaveCell: { keys: ['Escape'], does: 'Leave the cell for its row', at: 'content' },
  chooseDown: { keys: ['Shift+ArrowDown'], does: 'Choose this row and the next', at: 'row' },
  chooseAll: { keys: ['$mod+a'], does: 'Choose all rows', at: 'row' },
  fillDown: { keys: ['$mod+d'], does: 'Fill down what is chosen', at: 'row' },
  empty: { keys: ['Delete', 'Backspace'], does: 'Empty what is chosen', at: 'row' },
  enterCell: { keys: ['Enter', 'F2'], does: 'Type in the row’s cell', at: 'row' },
  link: { keys: ['$mod+k'], does: 'Make a link', at: 'words' },
  wordBar: { keys: ['Alt+F10'], does: 'Go to the bar of the words', at: 'words' },
  movePage: { keys: ['Alt+ArrowUp', 'Alt+ArrowDown', 'Alt+ArrowLeft', 'Alt+ArrowRight'], does: 'Move the page', at: 'pages' },
  renamePage: { keys: ['Enter', 'F2'], does: 'Rename the page', at: 'pages' },
  removePage: { keys: ['Delete'], does: 'Remove the page', at: 'pages' },
  allPages: { keys: ['a'], does: 'Show all pages side by side', at: 'pages' },
  moveSection: { keys: ['Alt+ArrowUp', 'Alt+ArrowDown'], does: 'Move the section', at: 'sections' },
  chooseSection: { keys: ['Space'], does: 'Choose one more section', at: 'sections' },
  removeSection: { keys: ['Delete'], does: 'Remove the section', at: 'sections' },
  addSection: { keys: ['n'], does: 'Add a section after it', at: 'sections' },
  alterSection: { keys: ['c'], does: 'Alter the section', at: 'sections' },
  templateDetails: { keys: ['Enter'], does: 'Show the details', at: 'template' },
  walkTemplate: { keys: ['w'], does: 'Walk through it', at: 'template' },
  putOn: { keys: ['p'], does: 'Put it on', at: 'template' },
  favourite: { keys: ['f'], does: 'Mark it as a favourite', at: 'template' },
  compare: { keys: ['b'], does: 'Choose it to compare', at: 'template' },
  vision: { keys: ['Alt+KeyV'], does: 'See the pages as others do', at: 'brand' },
  newJob: { keys: ['n'], does: 'Start a new job', at: 'jobs' },
  findJob: { keys: ['/', 'Shift+/'], does: 'Find a job', at: 'jobs' },
} as const satisfies Record<string, KeyDoes>
export type KeyName = keyof typeof KEY_MAP
