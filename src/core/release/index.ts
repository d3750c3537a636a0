export * from './manifest'
export * from './site-name'
export * from './sitemap'
export * from './web-manifest'
