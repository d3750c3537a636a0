export * from './near'
export * from './find-near'
export * from './make-chip'
