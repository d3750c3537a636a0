import { useEffect, useRef, useSyncExternalStore } from 'react'
import type { KeyName } from './key-map'
import { keyWords } from './key-words'
import { isTyping, keyPressed } from './pressed'

/** Does something at a key, wherever the focus is and nothing is typed; `always` also where it is. */
export function useKey(name: KeyName, act: (event: KeyboardEvent) => void, { always = false } = {}): void {
  useKeys([name], (_, event) => act(event), { always })
}

/** The same for several keys, which are told apart. */
export function useKeys<N extends KeyName>(
  names: readonly N[],
  act: (name: N, event: KeyboardEvent) => void,
  { always = false } = {},
): void {
  const now = useRef({ names, act })
  useEffect(() => {
    now.current = { names, act }
  })
  useEffect(() => {
    const press = (event: KeyboardEvent): void => {
      // What a field made something of itself is not ours any more.
      if (event.defaultPrevented || (!always && isTyping(event))) return
      const name = keyPressed(event, now.current.names)
      if (name === null) return
      event.preventDefault()
      now.current.act(name, event)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [always])
}

const never = (): (() => void) => () => undefined

/** Whether this is one of Apple’s computers, which have other signs on their keys; on the server it is none. */
export function useIsApple(): boolean {
  return useSyncExternalStore(
    never,
    () => /Mac|iPhone|iPad/.test(navigator.platform),
    () => false,
  )
}

/** How a key is said on this computer. */
export function useKeyWords(): (name: KeyName) => string {
  const isApple = useIsApple()
  return (name) => keyWords(name, isApple)
}
