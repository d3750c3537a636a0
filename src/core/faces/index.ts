export * from './shown-type'
export { fontFeatures } from './font-features'
