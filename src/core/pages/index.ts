export * from './page-tree'
export * from './segment'
export * from './menu'
export * from './redirects'
