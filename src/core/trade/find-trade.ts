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

/** Words that say how or where a trade is carried on, and leave it the same trade. From memory of how people write. */
const QUALIFIERS = new Set('a an and at by family for home in independent local mobile my of our own private small the'.split(' '))

/**
 * The trade whose phrases are true of what a person wrote: named as it is, or with nothing beside its name but words that leave it the
 * same trade and the town. A trade that only its neighbour's name stands in, such as boats beside upholstery, has no phrases here.
 */
export function tradeWithPhrases(words: string, town: string): Trade | null {
  const trade = findTrade(words)
  if (!trade) return null
  const bare = (text: string): string =>
    plain(text)
      .replace(/[^\p{L}\p{N}]+/gu, ' ')
      .trim()
  const asked = ` ${bare(words)} `
  const held = [trade.name, ...trade.alsoCalled].map(bare).filter((name) => asked.includes(` ${name} `))
  const longest = held.sort((a, b) => b.length - a.length)[0]
  if (longest === undefined) return null
  const beside = asked.replace(` ${longest} `, ' ').split(' ').filter(Boolean)
  const here = new Set(bare(town).split(' '))
  return beside.every((word) => QUALIFIERS.has(word) || here.has(word)) ? trade : null
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
