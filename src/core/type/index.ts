export * from './families'
export * from './font-letters'
