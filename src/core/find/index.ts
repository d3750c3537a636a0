export * from './asked'
export * from './word-places'
export * from './find'
export * from './replace'
