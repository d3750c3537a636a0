export * from './query'
export * from './word-places'
export * from './find'
export * from './replace'
