export * from './page-tree'
export * from './segment'
