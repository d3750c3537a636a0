/** Why something was not done, beside what was pressed, and read out when it comes up. */
export function Fault({ words, className = 'mt-3 text-sm' }: { readonly words: string | null; readonly className?: string }) {
  return (
    words !== null && (
      <p role="alert" className={`font-medium text-thread ${className}`}>
        ✕ {words}
      </p>
    )
  )
}
