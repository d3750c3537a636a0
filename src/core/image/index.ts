export * from './crop'
export * from './variant'
export * from './optical-size'
export * from './logo-advice'
