export * from './profile'
export * from './suits'
export * from './narrow'
