'use client'
import type { TestResult } from '@/core/replies'
import type { ConnectionTest } from './use-connection-test'

/** A connection that is tried, step by step: what came back, and of the first that fails what to do. */
export function ConnectionTestView({ connectionTest: { results, isRunning, fault } }: { connectionTest: ConnectionTest }) {
  if (fault)
    return (
      <p role="alert" className="mt-3 font-medium text-thread">
        ✕ {fault}
      </p>
    )
  if (results.length === 0 && !isRunning) return null
  return (
    <div className="mt-3" role="status">
      <ol aria-label="Steps of the connection" className="border border-seam bg-cloth text-sm">
        {results.map((one) => (
          <Step key={one.step} result={one} />
        ))}
        {isRunning && <li className="px-3 py-1.5 text-soft">Trying…</li>}
      </ol>
    </div>
  )
}

const SIGNS = { done: '✓', failed: '✕', 'not reached': '·' } as const
const WORDS = { done: 'done', failed: 'failed', 'not reached': 'not reached' } as const

function Step({ result }: { result: TestResult }) {
  const { step, state } = result
  return (
    <li className={`relative grid grid-cols-[1rem_5rem_minmax(0,1fr)] gap-x-2 border-b border-seam px-3 py-1.5 last:border-b-0`}>
      <span aria-hidden className={state === 'done' ? 'text-done' : state === 'failed' ? 'font-bold text-thread' : 'text-soft'}>
        {SIGNS[state]}
      </span>
      <span className={state === 'not reached' ? 'text-soft' : 'font-semibold'}>
        {step}
        <span className="sr-only">: {WORDS[state]}</span>
      </span>
      <span className={`min-w-0 break-words ${state === 'failed' ? 'font-medium text-thread' : 'text-soft'}`}>
        {result.state === 'not reached' ? result.state : result.said}
        {result.state === 'failed' && <span className="mt-0.5 block font-normal text-ink">{result.advice}</span>}
      </span>
    </li>
  )
}
