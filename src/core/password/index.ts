export { judgePassword, LEAST_LETTERS, MOST_LETTERS, type Judged } from './judge-password'
