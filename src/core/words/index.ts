export * from './language'
export * from './table'
export * from './plain-words'
