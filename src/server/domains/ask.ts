import { randomInt } from 'node:crypto'
import { createSocket } from 'node:dgram'
import { connect, isIPv6 } from 'node:net'
import { decode, encode, RECURSION_DESIRED, streamEncode, type Answer, type DecodedPacket, type Packet } from 'dns-packet'
import type { DnsAnswer, DnsRecord } from '../../core/domain'
import type { At } from './settings'

const QUIET_MS = 2000
const TRIES = 2
/** The largest answer by UDP that goes through everywhere in one piece (DNS flag day 2020). */
const MOST_UDP = 1232
/** The largest message there is (RFC 1035, 4.2.2). */
const MOST_TCP = 65_535

export type QuestionType = 'A' | 'AAAA' | 'CNAME' | 'TXT' | 'CAA' | 'NS' | 'SOA'
/** An answer with what stands in its second part: the SOA record that says how long a “none” is kept. */
export type Asked = { readonly found: DnsAnswer; readonly isOwn: boolean }

/** Asks one name server one question (RFC 1035): by UDP, twice where nothing comes, and by TCP where the answer is too long for that. */
export async function ask(at: At, type: QuestionType, name: string): Promise<Asked> {
  try {
    return toAsked(await exchange(at, type, name))
  } catch (error) {
    return { found: { state: 'failed', why: sayFault(error, at) }, isOwn: false }
  }
}

function sayFault(error: unknown, { address }: At): string {
  const { code, message } = error as { code?: unknown; message?: unknown }
  if (code === 'ECONNREFUSED') return `nobody answers at ${address}`
  return typeof code === 'string' ? `${address} cannot be reached (${code})` : String(message)
}

async function exchange(at: At, type: QuestionType, name: string): Promise<DecodedPacket> {
  for (let tried = 1; ; tried++) {
    try {
      const packet = await byUdp(at, questionOf(type, name))
      return packet.flag_tc ? await byTcp(at, questionOf(type, name)) : packet
    } catch (error) {
      if (tried === TRIES) throw error
    }
  }
}

function questionOf(type: QuestionType, name: string): Packet {
  return {
    type: 'query',
    id: randomInt(1, MOST_TCP),
    flags: RECURSION_DESIRED,
    questions: [{ type, name, class: 'IN' }],
    additionals: [
      { type: 'OPT', name: '.', udpPayloadSize: MOST_UDP, extendedRcode: 0, ednsVersion: 0, flags: 0, flag_do: false, options: [] },
    ],
  }
}

/** What came is believed where it answers this very question (RFC 5452, 9.1). */
function answers(asked: Packet, packet: DecodedPacket): boolean {
  const [wanted, given] = [asked.questions?.[0], packet.questions?.[0]]
  return packet.type === 'response' && packet.id === asked.id && given?.type === wanted?.type && lower(given?.name) === lower(wanted?.name)
}

function byUdp(at: At, asked: Packet): Promise<DecodedPacket> {
  return new Promise((resolve, reject) => {
    const socket = createSocket(isIPv6(at.address) ? 'udp6' : 'udp4')
    const end = (settle: () => void): void => {
      clearTimeout(timer)
      socket.close()
      settle()
    }
    const fail = (error: Error): void => end(() => reject(error))
    const timer = setTimeout(() => fail(new Error(`${at.address} does not answer`)), QUIET_MS)
    socket.on('error', fail)
    socket.on('message', (message) => {
      const packet = decoded(message)
      if (packet && answers(asked, packet)) end(() => resolve(packet))
    })
    // Connected, so that what comes from elsewhere is not even heard, and a closed port is told at once.
    socket.connect(at.port, at.address, (error?: Error) => (error ? fail(error) : socket.send(encode(asked))))
  })
}

function byTcp(at: At, asked: Packet): Promise<DecodedPacket> {
  return new Promise((resolve, reject) => {
    const socket = connect(at.port, at.address, () => socket.write(streamEncode(asked)))
    const parts: Buffer[] = []
    let bytes = 0
    socket.setTimeout(QUIET_MS, () => socket.destroy(new Error(`${at.address} does not answer`)))
    socket.on('error', reject)
    socket.on('close', () => reject(new Error(`${at.address} ended in the middle of its answer`)))
    socket.on('data', (part: Buffer) => {
      parts.push(part)
      bytes += part.length
      const whole = Buffer.concat(parts)
      if (bytes < 2 || bytes < whole.readUInt16BE(0) + 2) return
      const packet = decoded(whole.subarray(2, whole.readUInt16BE(0) + 2))
      if (packet && answers(asked, packet)) resolve(packet)
      else reject(new Error(`${at.address} answers something else than it was asked`))
      socket.destroy()
    })
  })
}

function decoded(message: Buffer): DecodedPacket | null {
  try {
    return decode(message)
  } catch {
    return null // What cannot be read answers nothing.
  }
}

function toAsked(packet: DecodedPacket): Asked {
  const code = String((packet as { rcode?: unknown }).rcode ?? 'NOERROR')
  const isOwn = packet.flag_aa
  if (code !== 'NOERROR' && code !== 'NXDOMAIN') return { found: { state: 'failed', why: sayCode(code) }, isOwn }
  const records = (packet.answers ?? []).flatMap(toFound)
  if (records.length > 0) return { found: { state: 'records', records }, isOwn }
  return { found: { state: 'none', isName: code === 'NOERROR', ttlS: negativeTtl(packet.authorities ?? []) }, isOwn }
}

/** RFC 1035, 4.1.1; RFC 2136, 2.2: what a name server says instead of an answer. */
function sayCode(code: string): string {
  switch (code) {
    case 'SERVFAIL':
      return 'it failed (SERVFAIL): its zone has a fault, or its signatures do not fit (DNSSEC)'
    case 'REFUSED':
    case 'NOTAUTH':
      return `it refuses (${code}): it does not know this domain`
    default:
      return `it says ${code}`
  }
}

/** RFC 2308, 5: the lower of the SOA record's own time and its last field. */
function negativeTtl(authorities: readonly Answer[]): number {
  const soa = authorities.find((one) => one.type === 'SOA')
  return soa?.type === 'SOA' ? Math.min(soa.ttl ?? 0, soa.data.minimum ?? 0) : 0
}

function toFound(answer: Answer): DnsRecord[] {
  const made = (value: string, ttlS: number | undefined): DnsRecord[] => [
    { name: lower(answer.name), type: answer.type, value, ttlS: ttlS ?? 0 },
  ]
  switch (answer.type) {
    case 'A':
    case 'AAAA':
      return made(answer.data, answer.ttl)
    case 'CNAME':
    case 'NS':
      return made(lower(answer.data), answer.ttl)
    case 'TXT':
      return made(wordsOf(answer.data), answer.ttl)
    case 'CAA':
      return made(`${answer.data.flags ?? 0} ${answer.data.tag} "${answer.data.value}"`, answer.ttl)
    case 'SOA':
      return made(lower(answer.data.mname), answer.ttl)
    default:
      return []
  }
}

/** The strings of a TXT record are one text (RFC 7208, 3.3; RFC 8555, 8.4 goes by the same). */
function wordsOf(data: string | Buffer | readonly (string | Buffer)[]): string {
  return [data]
    .flat()
    .map((part) => part.toString('utf8'))
    .join('')
}

function lower(name: string | undefined): string {
  return (name ?? '').toLowerCase().replace(/\.$/, '')
}
