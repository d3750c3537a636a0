import type { Reply } from './answer'

/** A name server that visitors ask: it keeps what it was told as long as it may (RFC 1034, 5.3.3; RFC 2308), and says how long still. */
export class Keeper {
  private readonly kept = new Map<string, { readonly reply: Reply; readonly fromMs: number; readonly untilMs: number }>()

  constructor(
    private readonly tell: (name: string, type: string) => Reply,
    private readonly now: () => number = Date.now,
  ) {}

  answer(name: string, type: string): Reply {
    const key = `${name.toLowerCase()} ${type}`
    const known = this.kept.get(key)
    if (known && known.untilMs > this.now()) return aged(known.reply, Math.floor((this.now() - known.fromMs) / 1000))
    const reply = this.tell(name, type)
    // What failed is asked anew each time.
    if (reply.code === 0 || reply.code === 3)
      this.kept.set(key, { reply, fromMs: this.now(), untilMs: this.now() + leastTtl(reply) * 1000 })
    // Where no zone has a name, nobody has registered it: those who ask for others say that it is not there (RFC 1034, 4.3.1).
    return reply.code === 5 ? { ...reply, code: 3 } : reply
  }

  forget(): void {
    this.kept.clear()
  }
}

function leastTtl({ answers, authorities }: Reply): number {
  return Math.min(...[...answers, ...authorities].map((one) => ('ttl' in one ? (one.ttl ?? 0) : 0)))
}

function aged(reply: Reply, seconds: number): Reply {
  const older = (all: Reply['answers']): Reply['answers'] =>
    all.map((one) => ('ttl' in one ? { ...one, ttl: Math.max(0, (one.ttl ?? 0) - seconds) } : one))
  return { code: reply.code, answers: older(reply.answers), authorities: older(reply.authorities) }
}
