import type { Trade } from './trade'
import { TRADES } from './trades'

export type SuggestedTrade = { readonly trade: Trade; readonly via: string | null; readonly rank: number }

/** Lower case, accents off, apostrophes alike: as words are compared. */
function plain(words: string): string {
  return words.normalize('NFD').replace(/\p{M}/gu, '').replace(/[’']/g, '').toLowerCase().trim()
}

/** How well a name answers what was typed: 0 the same, 1 begins so, 2 a word of it begins so, 3 holds it; null not at all. */
function rankOf(name: string, typed: string): number | null {
  const words = plain(name)
  if (words === typed) return 0
  if (words.startsWith(typed)) return 1
  if (words.split(/[\s-]+/).some((word) => word.startsWith(typed))) return 2
  return words.includes(typed) ? 3 : null
}

/** Trades that what is typed so far may mean, best first; `via` is the other word that matched. */
export function suggestTrades(typed: string, most = 8): readonly SuggestedTrade[] {
  const asked = plain(typed)
  if (asked === '') return []
  const found = TRADES.flatMap((trade): SuggestedTrade[] => {
    const names = [trade.name, ...trade.alsoCalled].map((name, i) => ({ via: i === 0 ? null : name, rank: rankOf(name, asked) }))
    const best = names
      .filter((n) => n.rank !== null)
      .sort((a, b) => (a.rank ?? 9) - (b.rank ?? 9) || (a.via === null ? -1 : b.via === null ? 1 : 0))[0]
    return best ? [{ trade, via: best.via, rank: best.rank ?? 9 }] : []
  })
  return found.sort((a, b) => a.rank - b.rank || a.trade.name.localeCompare(b.trade.name)).slice(0, most)
}

/** The trade that a person's words name, by name or by another word for it; null when none does. */
export function findTrade(words: string): Trade | null {
  const asked = plain(words)
  if (asked === '') return null
  const names = (t: Trade): string[] => [t.name, ...t.alsoCalled].map(plain)
  const named = TRADES.find((t) => names(t).includes(asked))
  if (named) return named
  // “Mobile dog groomer, Bath”: the longest name that stands in the words as whole words.
  const held = TRADES.flatMap((t) =>
    names(t)
      .filter((n) => ` ${asked.replace(/[^\p{L}\p{N}]+/gu, ' ')} `.includes(` ${n} `))
      .map((n) => ({ t, n })),
  )
  return held.sort((a, b) => b.n.length - a.n.length)[0]?.t ?? null
}
