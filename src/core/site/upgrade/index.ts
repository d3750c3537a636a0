export { readDocument, upgradeDocument } from './upgrade-document'
export { upgradeLog, type Row1 } from './upgrade-log'
export type { Document1, Edit1 } from './format-1'
