export * from './icon'
