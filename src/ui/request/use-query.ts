import { useCallback, useEffect, useRef, useState } from 'react'
import { sentenceOf } from './api'

export type Query<T> = {
  /** Null until the server has answered what is asked now; what it said before stays while it is asked once more. */
  readonly data: T | null
  readonly fault: string | null
  readonly busy: boolean
  /** Asks once more; what is known stays until then. */
  readonly refetch: () => Promise<void>
  /** Takes over what another call has brought. */
  readonly setData: (data: T) => void
}
type Options = {
  readonly otherwise?: string
  readonly onFault?: (sentence: string) => void
  /** How long nothing else is asked before this is, in ms: while somebody types. */
  readonly restMs?: number
  /** Asks once more when it is another. */
  readonly round?: string | null
}
type State<T> = { readonly of: unknown; readonly data: T | null; readonly fault: string | null; readonly busy: boolean }

/**
 * What the server is asked, by a function that `useCallback` keeps; null asks nothing. An answer counts for its own question alone: what
 * comes after another was asked, or after the screen was left, is passed over.
 */
export function useQuery<T>(ask: (() => Promise<T>) | null, { otherwise, onFault, restMs = 0, round = null }: Options = {}): Query<T> {
  const [state, setState] = useState<State<T>>({ of: null, data: null, fault: null, busy: false })
  const asked = useRef(0)
  const say = useRef(onFault)
  say.current = onFault
  const passOver = useCallback(() => void asked.current++, [])
  const refetch = useCallback(async (): Promise<void> => {
    if (!ask) return
    const turn = ++asked.current
    const settle = (part: Partial<State<T>>): void => {
      if (turn === asked.current)
        setState((now) => ({ ...(now.of === ask ? now : { data: null, fault: null }), of: ask, busy: false, ...part }))
    }
    settle({ busy: true })
    try {
      settle({ data: await ask(), fault: null })
    } catch (error) {
      const sentence = sentenceOf(error, otherwise)
      if (turn === asked.current) say.current?.(sentence)
      settle({ fault: sentence })
    }
  }, [ask, otherwise])
  useEffect(() => {
    const timer = setTimeout(() => void refetch(), restMs)
    return () => {
      clearTimeout(timer)
      passOver()
    }
  }, [refetch, restMs, passOver, round])
  const setData = useCallback((data: T) => setState({ of: ask, data, fault: null, busy: false }), [ask])
  const isOfNow = ask !== null && state.of === ask
  return {
    data: isOfNow ? state.data : null,
    fault: isOfNow ? state.fault : null,
    busy: isOfNow && state.busy,
    refetch,
    setData,
  }
}
