export * from './near'
