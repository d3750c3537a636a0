export * from './row'
export * from './gestures'
export * from './take-back'
export * from './words-of-edit'
