import { createSocket } from 'node:dgram'
import { createServer } from 'node:net'
import {
  AUTHORITATIVE_ANSWER,
  decode,
  encode,
  RECURSION_AVAILABLE,
  streamEncode,
  TRUNCATED_RESPONSE,
  type DecodedPacket,
  type Packet,
} from 'dns-packet'
import type { Reply } from './answer'

export type Telling = { readonly tell: (name: string, type: string) => Reply; readonly isOwn: boolean }
/** What fits into an answer by UDP where nobody says that more does (RFC 1035, 4.2.1). */
const PLAIN_UDP = 512

/** Answers questions on a number of this machine by UDP and by TCP (RFC 1035, 4.2), until it is closed. */
export async function listen(
  address: string,
  port: number,
  telling: Telling,
): Promise<{ readonly port: number; readonly close: () => void }> {
  const tcp = createServer((socket) => {
    let waiting = Buffer.alloc(0)
    socket.setTimeout(10_000, () => socket.destroy())
    socket.on('error', () => socket.destroy())
    socket.on('data', (part: Buffer) => {
      waiting = Buffer.concat([waiting, part])
      while (waiting.length >= 2 && waiting.length >= waiting.readUInt16BE(0) + 2) {
        const end = waiting.readUInt16BE(0) + 2
        const asked = decoded(waiting.subarray(2, end))
        waiting = waiting.subarray(end)
        if (asked) socket.write(streamEncode(replyTo(asked, telling)))
        else socket.destroy()
      }
    })
  })
  const bound = await new Promise<number>((resolve, reject) => {
    tcp.on('error', reject)
    tcp.listen(port, address, () => resolve((tcp.address() as { port: number }).port))
  })
  const udp = createSocket('udp4')
  udp.on('message', (message, from) => {
    const asked = decoded(message)
    if (!asked) return
    const reply = replyTo(asked, telling)
    const whole = encode(reply)
    const fits = whole.length <= roomOf(asked)
    udp.send(
      fits ? whole : encode({ ...reply, answers: [], authorities: [], flags: (reply.flags ?? 0) | TRUNCATED_RESPONSE }),
      from.port,
      from.address,
    )
  })
  await new Promise<void>((resolve) => udp.bind(bound, address, resolve))
  const close = (): void => {
    tcp.close()
    udp.close()
  }
  return { port: bound, close }
}

function roomOf({ additionals = [] }: DecodedPacket): number {
  const opt = additionals.find((one) => one.type === 'OPT')
  return opt?.type === 'OPT' ? Math.max(PLAIN_UDP, opt.udpPayloadSize) : PLAIN_UDP
}

function replyTo(asked: DecodedPacket, { tell, isOwn }: Telling): Packet {
  const [question] = asked.questions ?? []
  const { code, answers, authorities }: Reply = question ? tell(question.name, question.type) : { code: 5, answers: [], authorities: [] }
  return {
    type: 'response',
    id: asked.id ?? 0,
    flags: (isOwn ? AUTHORITATIVE_ANSWER : RECURSION_AVAILABLE) | (asked.flag_rd ? 0x100 : 0) | code,
    questions: asked.questions ?? [],
    answers: [...answers],
    authorities: [...authorities],
    additionals: (asked.additionals ?? []).some((one) => one.type === 'OPT')
      ? [{ type: 'OPT', name: '.', udpPayloadSize: 1232, extendedRcode: 0, ednsVersion: 0, flags: 0, flag_do: false, options: [] }]
      : [],
  }
}

function decoded(message: Buffer): DecodedPacket | null {
  try {
    const packet = decode(message)
    return packet.type === 'query' ? packet : null
  } catch {
    return null
  }
}
