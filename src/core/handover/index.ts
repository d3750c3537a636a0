export * from './project'
export * from './care-sheet'
export * from './care-words'
