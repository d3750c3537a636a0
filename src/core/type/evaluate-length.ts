/**
 * What a CSS length is at one width: custom properties are looked up, `em` is the size of the text around it. Null
 * where it cannot be said.
 */
export type LengthScope = { readonly widthPx: number; readonly emPx: number; readonly variables: ReadonlyMap<string, string> }

type Token =
  | { readonly type: 'number'; readonly value: number; readonly unit: string }
  | { readonly type: 'name' | 'sign'; readonly text: string }

const TOKEN = /\s*(?:(-?\d*\.?\d+)([a-z%]*)|([a-z-]+\(|--[\w-]+)|([-+*/(),]))/gy
const ROOT = 16

/** Evaluates a length of CSS Values 4 (sections 10.1–10.4): px, rem, em, vw, calc(), min(), max(), clamp(), var(). In px. */
export function evaluateLength(text: string, scope: LengthScope): number | null {
  return evaluate(text, scope, new Map())
}

/** What each custom property came to, so that none is reckoned twice; null while it is being reckoned: it stands for itself then. */
type Known = Map<string, number | null>

function evaluate(text: string, scope: LengthScope, known: Known): number | null {
  try {
    const reader = new Reader(readTokens(text), scope, known)
    const value = reader.sum()
    return reader.isDone() && Number.isFinite(value) ? value : null
  } catch {
    // Words that are no length: the caller is told by null.
    return null
  }
}

function readTokens(text: string): Token[] {
  const tokens: Token[] = []
  TOKEN.lastIndex = 0
  const trimmed = text.trimEnd()
  while (TOKEN.lastIndex < trimmed.length) {
    const found = TOKEN.exec(trimmed)
    if (!found) throw new Error(`No length: ${text}`)
    const [, number, unit, name, sign] = found
    if (number !== undefined) tokens.push({ type: 'number', value: Number(number), unit: unit ?? '' })
    else if (name !== undefined) tokens.push({ type: 'name', text: name })
    else tokens.push({ type: 'sign', text: sign ?? '' })
  }
  return tokens
}

class Reader {
  private at = 0
  constructor(
    private readonly tokens: readonly Token[],
    private readonly scope: LengthScope,
    private readonly known: Known,
  ) {}

  isDone(): boolean {
    return this.at === this.tokens.length
  }

  sum(): number {
    let value = this.product()
    for (;;) {
      const token = this.tokens[this.at]
      // `1rem -2px` reads its minus as the sign of the number: CSS asks for spaces around, so it is a subtraction.
      if (token?.type === 'sign' && (token.text === '+' || token.text === '-')) {
        this.at++
        value += (token.text === '+' ? 1 : -1) * this.product()
      } else return value
    }
  }

  private product(): number {
    let value = this.factor()
    for (;;) {
      const token = this.tokens[this.at]
      if (token?.type !== 'sign' || (token.text !== '*' && token.text !== '/')) return value
      this.at++
      const other = this.factor()
      value = token.text === '*' ? value * other : value / other
    }
  }

  private factor(): number {
    const token = this.tokens[this.at++]
    if (token?.type === 'number') return token.value * this.unit(token.unit)
    if (token?.type === 'sign' && token.text === '(') return this.close(this.sum())
    if (token?.type !== 'name') throw new Error('No length')
    if (token.text === 'var(') return this.variable()
    const values = this.list()
    if (token.text === 'calc(' && values.length === 1) return values[0] ?? 0
    if (token.text === 'min(') return Math.min(...values)
    if (token.text === 'max(') return Math.max(...values)
    if (token.text === 'clamp(' && values.length === 3) return Math.max(values[0] ?? 0, Math.min(values[1] ?? 0, values[2] ?? 0))
    throw new Error(`No length: ${token.text}`)
  }

  private unit(unit: string): number {
    switch (unit) {
      case '':
      case 'px':
        return 1
      case 'rem':
        return ROOT
      case 'em':
        return this.scope.emPx
      case 'vw':
        return this.scope.widthPx / 100
      default:
        throw new Error(`No unit ${unit}`)
    }
  }

  private variable(): number {
    const name = this.tokens[this.at++]
    const text = name?.type === 'name' ? this.scope.variables.get(name.text) : undefined
    const key = name?.type === 'name' ? name.text : ''
    if (this.sign(',')) return text === undefined ? this.close(this.sum()) : this.skip(this.value(key, text))
    return this.close(this.value(key, text))
  }

  private value(name: string, text: string | undefined): number {
    let value = this.known.get(name)
    if (value === undefined && text !== undefined) {
      this.known.set(name, null)
      value = evaluate(text, this.scope, this.known)
      this.known.set(name, value)
    }
    if (value === undefined || value === null) throw new Error('No value')
    return value
  }

  private list(): number[] {
    const values = [this.sum()]
    while (this.sign(',')) values.push(this.sum())
    this.close(0)
    return values
  }

  private skip(value: number): number {
    this.sum()
    return this.close(value)
  }

  private close(value: number): number {
    if (!this.sign(')')) throw new Error('Not closed')
    return value
  }

  private sign(text: string): boolean {
    const token = this.tokens[this.at]
    if (token?.type !== 'sign' || token.text !== text) return false
    this.at++
    return true
  }
}
