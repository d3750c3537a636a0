export * from './typeset'
export * from './quotes'
