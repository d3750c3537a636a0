export * from './problem'
export * from './to-problem'
export { PROBLEMS, type ProblemCode } from './sentences'
