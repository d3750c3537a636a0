import type { TestResult, TestStep } from '../../../core/replies'
/** A step that did not succeed. */
export class TestFault extends Error {
  constructor(
    readonly said: string,
    readonly advice: string,
  ) {
    super(said)
    this.name = 'TestFault'
  }
}

/** The steps of a connection, and what ends what they have opened. */
export type ConnectionTest = { readonly parts: readonly TestPart[]; readonly close: () => void }

/** A step, and what it does: it says what came back, or throws a `TestFault`. */
export type TestPart = readonly [step: TestStep, act: () => Promise<string>]

/** Tries one step after another, and tells of each as it comes; after the first that fails the rest is not reached. */
export async function testConnection(parts: readonly TestPart[], onResult: (result: TestResult) => void): Promise<readonly TestResult[]> {
  const results: TestResult[] = []
  for (const [step, act] of parts) {
    const isOver = results.some(({ state }) => state !== 'done')
    const result: TestResult = isOver ? { step, state: 'not reached' } : await tryStep(step, act)
    results.push(result)
    onResult(result)
  }
  return results
}

async function tryStep(step: TestStep, act: () => Promise<string>): Promise<TestResult> {
  try {
    return { step, state: 'done', said: await act() }
  } catch (error) {
    if (error instanceof TestFault) return { step, state: 'failed', said: error.said, advice: error.advice }
    const said = error instanceof Error ? error.message : String(error)
    return { step, state: 'failed', said, advice: 'Send this line to whoever runs the server, and ask what stands in the way.' }
  }
}
