export * from './crop'
export * from './variant'
export * from './optical-size'
