import type { PackFault } from '../../core/pack'
import { PROBLEMS, type Details, type ProblemCode } from './sentences'

/** What the sentence of a code is told; of several, what each of them is. */
type DetailsOf<Code extends ProblemCode> = [(typeof PROBLEMS)[Code]['sentence']] extends [(details: infer D) => string] ? D : never
type Rest = [options?: ErrorOptions | undefined, faults?: readonly PackFault[]]
type Told<Code extends ProblemCode> = unknown extends DetailsOf<Code> ? [details?: {}, ...Rest] : [details: DetailsOf<Code>, ...Rest]

/** A refusal or failure that ends a request, with what its sentence needs. */
export class Problem<Code extends ProblemCode = ProblemCode> extends Error {
  readonly code: Code
  readonly details: Details<string>
  readonly faults: readonly PackFault[]

  constructor(code: Code, ...[details = {}, options, faults = []]: Told<Code>) {
    const sentence: (details: never) => string = PROBLEMS[code].sentence
    super(sentence(details as never), options)
    this.name = 'Problem'
    this.code = code
    this.details = details as Details<string>
    this.faults = faults
  }
}

/** A problem as plain data, for one process to tell another. */
export type ProblemParts = { readonly code: ProblemCode; readonly details: Details<string>; readonly faults: readonly PackFault[] }

export function problemParts({ code, details, faults }: Problem): ProblemParts {
  return { code, details, faults }
}

/** A problem that another process has told of. */
export function problemOf({ code, details, faults }: ProblemParts): Problem {
  return new Problem<ProblemCode>(code, details as DetailsOf<ProblemCode>, undefined, faults)
}
