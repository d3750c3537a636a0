export * from './row'
export * from './gestures'
export * from './take-back'
