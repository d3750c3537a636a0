export * from './hours'
export * from './phone'
export * from './facts'
export * from './fact-cells'
