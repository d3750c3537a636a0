/** Why something was not done, read out when it comes up. */
export function Fault({ words }: { words: string | null }) {
  return (
    <p role="alert" className={words === null ? 'sr-only' : 'mt-3 text-sm font-medium text-thread'}>
      {words === null ? '' : `✕ ${words}`}
    </p>
  )
}
