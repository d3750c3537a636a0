export * from './trade'
export * from './find-trade'
export * from './phrases'
export * from './first-draft'
