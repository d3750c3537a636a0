import { createReadStream, createWriteStream, existsSync, lstatSync, mkdirSync, renameSync, rmdirSync, unlinkSync } from 'node:fs'
import { createServer, type AddressInfo, type Server, type Socket } from 'node:net'
import { once } from 'node:events'
import path from 'node:path'
import { finished, pipeline } from 'node:stream/promises'
import { createSecureContext, TLSSocket } from 'node:tls'
import { listingOf, type Listing } from './ftp-listing'
import { weightOf } from './weight'

export type FtpStandIn = {
  readonly account: { readonly user: string; readonly password: string }
  readonly folder: string
  /** For explicit TLS (RFC 4217); without it the server does not offer any. */
  readonly tls?: { readonly key: string; readonly cert: string }
  /** In bytes; writing fails where it is reached. */
  readonly quota?: number
  readonly listing?: Listing
  readonly hidesDots?: boolean
  readonly isReadOnly?: boolean
  /** RFC 959 leaves open whether a file that is there is replaced. */
  readonly refusesRenamingOver?: boolean
  /** How many connections it lets in at a time. */
  readonly most?: number
  /** How it leads to the second connection: by both commands, by the old one with an address that is not its own, or to a closed port. */
  readonly passive?: 'both' | 'wrong address' | 'closed'
}

/** A client's own server, as far as FTP goes (RFC 959, 2428, 3659, 4217): one login, one folder; links are listed, and not followed. */
export function ftpStandIn(options: FtpStandIn): Server {
  let open = 0
  return createServer((socket) => {
    socket.on('error', () => undefined)
    socket.on('close', () => open--)
    if (++open > (options.most ?? Infinity)) socket.end('421 Too many connections from your address\r\n')
    else new Session(socket, options).greet()
  })
}

/** A refusal, with its reply (RFC 959, 4.2). */
class Refusal extends Error {
  constructor(
    readonly reply: number,
    words: string,
  ) {
    super(words)
  }
}

/** What one client says and is answered, a command at a time. */
class Session {
  private line: Socket
  private user = ''
  private isIn = false
  private isPrivate = false
  private standing = '/'
  private renamed: string | null = null
  private second: Promise<Socket> | null = null
  private turn: Promise<void> = Promise.resolve()

  constructor(
    socket: Socket,
    private readonly options: FtpStandIn,
  ) {
    this.line = socket
    socket.setNoDelay(true)
    this.listen()
  }

  greet(): void {
    this.say(220, 'A client’s server')
  }

  private say(reply: number, words: string): void {
    this.line.write(`${reply} ${words}\r\n`)
  }

  private listen(): void {
    let heard = ''
    const { line } = this
    line.on('error', () => line.destroy())
    line.on('data', (data: Buffer) => {
      heard += data.toString('utf8')
      const lines = heard.split('\r\n')
      heard = lines.pop() ?? ''
      for (const one of lines) this.turn = this.turn.then(() => this.answer(one))
    })
  }

  private async answer(said: string): Promise<void> {
    const [, word = '', argument = ''] = /^(\S+) ?(.*)$/s.exec(said) ?? []
    const command = word.toUpperCase()
    try {
      if (!this.isIn && !OPEN.has(command)) throw new Refusal(530, 'Log in first')
      const act = COMMANDS.get(command)
      if (!act) throw new Refusal(502, 'Not implemented')
      const [reply, words] = await act.call(this, argument)
      if (reply !== 0) this.say(reply, words)
    } catch (error) {
      if (error instanceof Refusal) this.say(error.reply, error.message)
      else this.say(550, error instanceof Error && 'code' in error ? `${String(error.code)}` : 'Failed')
    }
  }

  /** A path on the disk, of one as the client has it; what would leave the folder by a link is not there. */
  at(name: string): string {
    const { folder } = this.options
    const whole = path.join(folder, path.posix.resolve('/', this.standing, name))
    for (let part = path.dirname(whole); part.length > folder.length; part = path.dirname(part))
      if (existsSync(part) && lstatSync(part).isSymbolicLink()) throw new Refusal(550, 'No such file')
    return whole
  }

  /** The same for what is changed. */
  writable(name: string): string {
    if (this.options.isReadOnly) throw new Refusal(550, 'Permission denied')
    return this.at(name)
  }

  login(user: string): Answer {
    this.user = user
    return [331, 'And the password']
  }

  enter(password: string): Answer {
    const { account } = this.options
    if (this.user !== account.user || password !== account.password) throw new Refusal(530, 'Login incorrect')
    this.isIn = true
    return [230, 'Logged in']
  }

  goSecure(how: string): Answer {
    const { tls } = this.options
    if (!tls || how.toUpperCase() !== 'TLS') throw new Refusal(502, 'Not offered')
    const { line } = this
    line.removeAllListeners('data')
    this.say(234, 'Go on')
    this.line = new TLSSocket(line, { isServer: true, secureContext: createSecureContext(tls) })
    this.listen()
    return [0, '']
  }

  protect(how: string): Answer {
    this.isPrivate = how.toUpperCase() === 'P'
    return [200, 'So be it']
  }

  async goTo(name: string): Promise<Answer> {
    if (!lstatSync(this.at(name)).isDirectory()) throw new Refusal(550, 'Not a folder')
    this.standing = path.posix.resolve(this.standing, name)
    return [250, 'There']
  }

  where(): Answer {
    return [257, `"${this.standing}"`]
  }

  /** Waits for the second connection; answers with its port. */
  async passive(): Promise<number> {
    const server = createServer()
    server.maxConnections = 1
    server.listen(0, '127.0.0.1')
    await once(server, 'listening')
    const { port } = server.address() as AddressInfo
    if (this.options.passive === 'closed') {
      server.close()
      return port
    }
    const second = this.joined(server)
    // Whoever waits for it hears of what went wrong.
    second.catch(() => undefined)
    this.second = second
    return port
  }

  /** The one that comes; where it is private, once both have shaken hands: what is ended before that never was. */
  private async joined(server: Server): Promise<Socket> {
    const { isPrivate, options } = this
    const [socket] = (await once(server, 'connection')) as [Socket]
    server.close()
    socket.on('error', () => undefined)
    if (!isPrivate || !options.tls) return socket
    const secure = new TLSSocket(socket, { isServer: true, secureContext: createSecureContext(options.tls) })
    await once(secure, 'secure')
    return secure
  }

  /** Takes the second connection for one transfer. */
  async transfer(work: (socket: Socket) => Promise<void>): Promise<Answer> {
    const { second } = this
    if (!second) throw new Refusal(425, 'Say PASV first')
    this.second = null
    this.say(150, 'Here it goes')
    const socket = await second.catch(() => {
      throw new Refusal(425, 'No connection came')
    })
    socket.on('error', () => undefined)
    try {
      await work(socket)
    } catch (error) {
      // What still comes is passed over, so that the client hears the reply before the connection goes.
      socket.resume()
      throw error instanceof Refusal ? error : new Refusal(426, 'The connection broke')
    }
    return [226, 'Done']
  }

  async list(asked: string): Promise<Answer> {
    const { listing = 'unix', hidesDots = false } = this.options
    const lines = listingOf(this.at(asked.replace(/^-\w+ ?/, '')), listing, hidesDots && !asked.startsWith('-a'))
    return this.transfer(async (socket) => {
      socket.end(lines)
      await once(socket, 'close')
    })
  }

  async give(name: string): Promise<Answer> {
    const file = this.at(name)
    if (!lstatSync(file).isFile()) throw new Refusal(550, 'Not a file')
    return this.transfer((socket) => pipeline(createReadStream(file), socket))
  }

  async take(name: string): Promise<Answer> {
    const file = createWriteStream(this.writable(name))
    let left = (this.options.quota ?? Infinity) - (this.options.quota === undefined ? 0 : weightOf(this.options.folder))
    return this.transfer(async (socket) => {
      for await (const part of socket.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
        left -= part.length
        if (left < 0) throw new Refusal(552, 'Quota exceeded')
        file.write(part)
      }
      file.end()
      await finished(file)
      socket.destroy()
    })
  }

  renameFrom(name: string): Answer {
    this.renamed = this.writable(name)
    if (!existsSync(this.renamed)) throw new Refusal(550, 'No such file')
    return [350, 'And to what']
  }

  renameTo(name: string): Answer {
    if (this.renamed === null) throw new Refusal(503, 'Say RNFR first')
    if (this.options.refusesRenamingOver && existsSync(this.at(name))) throw new Refusal(553, 'A file of that name is there')
    renameSync(this.renamed, this.writable(name))
    return [250, 'Renamed']
  }

  features(): Answer {
    const { tls, listing } = this.options
    const lines = [tls && 'AUTH TLS', 'EPSV', listing === 'standard' && 'MLSD', 'SIZE', 'UTF8'].filter((one) => one)
    this.line.write(`211-Features\r\n${lines.map((one) => ` ${String(one)}\r\n`).join('')}211 End\r\n`)
    return [0, '']
  }

  async extendedPassive(): Promise<Answer> {
    if (this.options.passive === 'wrong address') throw new Refusal(500, 'Not understood')
    return [229, `Go to (|||${await this.passive()}|)`]
  }

  async oldPassive(): Promise<Answer> {
    const port = await this.passive()
    const address = this.options.passive === 'wrong address' ? '192,0,2,7' : '127,0,0,1'
    return [227, `Go to (${address},${port >> 8},${port & 255})`]
  }

  leave(): Answer {
    this.line.end('221 Goodbye\r\n')
    return [0, '']
  }
}

type Answer = readonly [reply: number, words: string]
type Act = (this: Session, argument: string) => Answer | Promise<Answer>

const ok =
  (words: string): Act =>
  () => [200, words]

/** What is answered before anybody has logged in. */
const OPEN = new Set(['USER', 'PASS', 'AUTH', 'PBSZ', 'PROT', 'FEAT', 'OPTS', 'QUIT', 'NOOP'])

const COMMANDS: ReadonlyMap<string, Act> = new Map<string, Act>([
  ['USER', Session.prototype.login],
  ['PASS', Session.prototype.enter],
  ['AUTH', Session.prototype.goSecure],
  ['PBSZ', ok('PBSZ=0')],
  ['PROT', Session.prototype.protect],
  ['FEAT', Session.prototype.features],
  ['OPTS', ok('So be it')],
  ['TYPE', ok('So be it')],
  ['STRU', ok('So be it')],
  ['NOOP', ok('Still here')],
  ['PWD', Session.prototype.where],
  ['CWD', Session.prototype.goTo],
  ['EPSV', Session.prototype.extendedPassive],
  ['PASV', Session.prototype.oldPassive],
  ['LIST', Session.prototype.list],
  ['MLSD', Session.prototype.list],
  ['RETR', Session.prototype.give],
  ['STOR', Session.prototype.take],
  ['RNFR', Session.prototype.renameFrom],
  ['RNTO', Session.prototype.renameTo],
  ['QUIT', Session.prototype.leave],
  [
    'SIZE',
    function (name) {
      const stats = lstatSync(this.at(name))
      if (!stats.isFile()) throw new Refusal(550, 'Not a file')
      return [213, String(stats.size)]
    },
  ],
  [
    'DELE',
    function (name) {
      unlinkSync(this.writable(name))
      return [250, 'Gone']
    },
  ],
  [
    'MKD',
    function (name) {
      mkdirSync(this.writable(name))
      return [257, 'Made']
    },
  ],
  [
    'RMD',
    function (name) {
      rmdirSync(this.writable(name))
      return [250, 'Gone']
    },
  ],
])
