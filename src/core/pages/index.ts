export * from './page-tree'
