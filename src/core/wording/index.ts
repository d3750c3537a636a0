export * from './sentences'
export * from './ease'
export * from './suggest'
export * from './compare'
