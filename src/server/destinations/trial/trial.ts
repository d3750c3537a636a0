/** The steps of a connection, in the order in which they are tried; those that a kind does not have are left out. */
export const TRIAL_STEPS = [
  'name',
  'port',
  'greeting',
  'certificate',
  'host key',
  'login',
  'folder',
  'bucket',
  'write',
  'read back',
  'remove',
] as const
export type TrialStep = (typeof TRIAL_STEPS)[number]

/** What came of a step: `said` is what was tried and what came back, `advice` the likely cause and what to do. */
export type TrialResult =
  | { readonly step: TrialStep; readonly state: 'done'; readonly said: string }
  | { readonly step: TrialStep; readonly state: 'failed'; readonly said: string; readonly advice: string }
  | { readonly step: TrialStep; readonly state: 'not reached' }

/** A step that did not succeed. */
export class TrialFault extends Error {
  constructor(
    readonly said: string,
    readonly advice: string,
  ) {
    super(said)
    this.name = 'TrialFault'
  }
}

/** The steps of a connection, and what ends what they have opened. */
export type Trial = { readonly parts: readonly TrialPart[]; readonly close: () => void }

/** A step, and what it does: it says what came back, or throws a `TrialFault`. */
export type TrialPart = readonly [step: TrialStep, act: () => Promise<string>]

/** Tries one step after another, and tells of each as it comes; after the first that fails the rest is not reached. */
export async function tryOut(parts: readonly TrialPart[], onResult: (result: TrialResult) => void): Promise<readonly TrialResult[]> {
  const results: TrialResult[] = []
  for (const [step, act] of parts) {
    const isOver = results.some(({ state }) => state !== 'done')
    const result: TrialResult = isOver ? { step, state: 'not reached' } : await tryStep(step, act)
    results.push(result)
    onResult(result)
  }
  return results
}

async function tryStep(step: TrialStep, act: () => Promise<string>): Promise<TrialResult> {
  try {
    return { step, state: 'done', said: await act() }
  } catch (error) {
    if (error instanceof TrialFault) return { step, state: 'failed', said: error.said, advice: error.advice }
    const said = error instanceof Error ? error.message : String(error)
    return { step, state: 'failed', said, advice: 'Send this line to whoever runs the server, and ask what stands in the way.' }
  }
}
