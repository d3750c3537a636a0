import { useState } from 'react'
import { ApiError, callWithProgress } from '../job/api'

export type TestResult = {
  readonly step: string
  readonly state: 'done' | 'failed' | 'not reached'
  readonly said?: string
  readonly advice?: string
}
/** `knownBy`: the key of a host, or a certificate that nobody vouches for. */
export type TestedConnection = { readonly results: readonly TestResult[]; readonly knownBy: string | null }

export type ConnectionTest = {
  readonly results: readonly TestResult[]
  readonly isRunning: boolean
  readonly fault: string | null
  /** Tries it; null where it could not even be asked for. */
  readonly run: (asked: unknown) => Promise<TestedConnection | null>
}

/** Tries a connection, and tells of each step as it comes. */
export function useConnectionTest(job: string): ConnectionTest {
  const [results, setResults] = useState<readonly TestResult[]>([])
  const [isRunning, setRunning] = useState(false)
  const [fault, setFault] = useState<string | null>(null)
  const run = async (asked: unknown): Promise<TestedConnection | null> => {
    setResults([])
    setFault(null)
    setRunning(true)
    try {
      return await callWithProgress<TestResult, TestedConnection>(`/api/jobs/${job}/destinations/test`, asked, (one) =>
        setResults((now) => [...now, one]),
      )
    } catch (error) {
      setFault(error instanceof ApiError ? error.message : 'The connection could not be tried. Try again.')
      return null
    } finally {
      setRunning(false)
    }
  }
  return { results, isRunning, fault, run }
}
