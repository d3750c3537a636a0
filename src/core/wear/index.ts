export * from './fit'
export * from './wear'
export * from './start'
export * from './report'
