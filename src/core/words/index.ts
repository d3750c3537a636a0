export * from './language'
export * from './table'
export * from './plain-words'
export * from './guess-language'
