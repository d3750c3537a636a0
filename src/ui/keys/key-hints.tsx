'use client'
import { KEY_MAP, type KeyName } from './key-map'
import { allKeyWords } from './key-words'
import { useIsApple } from './use-key'

/** The foot of a screen: a few keys for where one is, and the one that shows all of them. */
export function KeyHints({ names }: { readonly names: readonly KeyName[] }) {
  const isApple = useIsApple()
  return (
    <p className="shrink-0 border-t border-seam bg-cloth px-4 py-1 font-mono text-xs text-soft">
      {names.map((name) => (
        <span key={name}>
          <kbd className="font-medium text-ink">{allKeyWords(name, isApple)}</kbd> {lowered(KEY_MAP[name].does)} ·{' '}
        </span>
      ))}
      <kbd className="font-medium text-ink">?</kbd> all keys
    </p>
  )
}

function lowered(words: string): string {
  return words.slice(0, 1).toLowerCase() + words.slice(1)
}
