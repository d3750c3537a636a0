import { useState } from 'react'
import { testedConnectionSchema, testResultSchema, type TestedConnection, type TestResult } from '@/core/replies'
import { callWithProgress } from '../request/api'
import { useMutation } from '../request/use-mutation'

const TEST = { progress: testResultSchema, result: testedConnectionSchema }

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
  const { busy, fault, run } = useMutation({ otherwise: 'The connection could not be tried. Try again.' })
  const test = async (asked: unknown): Promise<TestedConnection | null> => {
    let tested: TestedConnection | null = null
    setResults([])
    await run(async () => {
      tested = await callWithProgress(`/api/jobs/${job}/destinations/test`, asked, TEST, (one) => setResults((now) => [...now, one]))
    })
    return tested
  }
  return { results, isRunning: busy, fault, run: test }
}
