export * from './compare-sites'
export * from './pages-differing'
