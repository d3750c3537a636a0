export * from './snag'
export * from './registry'
export * from './near'
