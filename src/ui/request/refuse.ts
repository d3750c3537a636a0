import { refusal } from '../parts/notice'
import { sentenceOf } from './api'

/** Says why the server did not do something, where that has no place beside what was pressed. */
export function refuse(error: unknown): void {
  refusal(sentenceOf(error))
}
