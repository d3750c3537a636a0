import {
  closeSync,
  existsSync,
  fstatSync,
  lstatSync,
  mkdirSync,
  openSync,
  readdirSync,
  readSync,
  renameSync,
  rmdirSync,
  statSync,
  unlinkSync,
  writeSync,
} from 'node:fs'
import path from 'node:path'
import ssh2, { type Attributes, type AuthContext, type Connection, type Server, type SFTPWrapper } from 'ssh2'
import { weightOf } from './weight'

const { utils } = ssh2
const { OPEN_MODE, STATUS_CODE } = utils.sftp

export type SftpAccount = { readonly user: string; readonly password: string; readonly publicKey?: string }
export type SftpStandIn = { readonly hostKey: string; readonly account: SftpAccount; readonly folder: string; readonly quota?: number }

/**
 * A client's own server, as far as SFTP goes: one login, one folder that it never leaves (links are looked at and not followed), version 3
 * of the protocol with OpenSSH's renaming left out, as many servers have it. With a quota, in bytes, writing fails where it is reached.
 */
export function sftpStandIn({ hostKey, account, folder, quota }: SftpStandIn): Server {
  return new ssh2.Server({ hostKeys: [hostKey] }, (client) => {
    client.on('error', () => undefined)
    // The types leave it out.
    ;(client as Connection & { readonly setNoDelay: (isOn: boolean) => void }).setNoDelay(true)
    client.on('authentication', (asked) => (isAllowed(asked, account) ? asked.accept() : asked.reject(['password', 'publickey'])))
    client.on('ready', () =>
      client.on('session', (accept) => {
        accept().on('sftp', (acceptSftp) => answer(acceptSftp(), folder, quota ?? Infinity))
      }),
    )
  })
}

function isAllowed(asked: AuthContext, { user, password, publicKey }: SftpAccount): boolean {
  if (asked.username !== user) return false
  if (asked.method === 'password') return asked.password === password
  if (asked.method !== 'publickey' || publicKey === undefined) return false
  const known = utils.parseKey(publicKey)
  if (known instanceof Error || !asked.key.data.equals(known.getPublicSSH())) return false
  return asked.signature === undefined || asked.blob === undefined || known.verify(asked.blob, asked.signature, asked.hashAlgo) === true
}

type Listing = { readonly names: string[]; readonly folder: string }

/** Answers what a client asks, one file operation for each. */
function answer(sftp: SFTPWrapper, root: string, quota: number): void {
  const handles = new Map<number, number | Listing>()
  let last = 0
  const keep = (id: number, what: number | Listing): void => {
    handles.set(++last, what)
    const handle = Buffer.alloc(4)
    handle.writeUInt32BE(last)
    sftp.handle(id, handle)
  }
  const find = (handle: Buffer): number | Listing | undefined => handles.get(handle.length === 4 ? handle.readUInt32BE() : 0)
  /** A path as the client has it, on the disk; what would leave the folder by dots or links is not there. */
  const at = (asked: string): string => {
    const whole = path.join(root, path.posix.join('/', asked))
    for (let part = path.dirname(whole); part.length > root.length; part = path.dirname(part))
      if (existsSync(part) && lstatSync(part).isSymbolicLink()) throw Object.assign(new Error('a link'), { code: 'ENOENT' })
    return whole
  }
  const does = (id: number, work: () => void): void => {
    try {
      work()
    } catch (error) {
      sftp.status(id, codeOf(error), error instanceof Error ? error.message : '')
    }
  }
  const ok = (id: number, work: () => void): void =>
    does(id, () => {
      work()
      sftp.status(id, STATUS_CODE.OK)
    })

  sftp.on('REALPATH', (id, asked) =>
    sftp.name(id, [{ filename: path.posix.join('/', asked), longname: '', attrs: attributes(statSync(root)) }]),
  )
  sftp.on('STAT', (id, asked) => does(id, () => sftp.attrs(id, attributes(statSync(at(asked))))))
  sftp.on('LSTAT', (id, asked) => does(id, () => sftp.attrs(id, attributes(lstatSync(at(asked))))))
  sftp.on('FSTAT', (id, handle) => {
    const fd = find(handle)
    if (typeof fd === 'number') does(id, () => sftp.attrs(id, attributes(fstatSync(fd))))
    else sftp.status(id, STATUS_CODE.FAILURE)
  })
  sftp.on('SETSTAT', (id) => sftp.status(id, STATUS_CODE.OK))
  sftp.on('FSETSTAT', (id) => sftp.status(id, STATUS_CODE.OK))
  sftp.on('OPENDIR', (id, asked) => does(id, () => keep(id, { folder: at(asked), names: readdirSync(at(asked)) })))
  sftp.on('READDIR', (id, handle) => {
    const listing = find(handle)
    if (typeof listing !== 'object' || listing.names.length === 0) return void sftp.status(id, STATUS_CODE.EOF)
    const some = listing.names.splice(0, 100)
    sftp.name(
      id,
      some.map((filename) => ({ filename, longname: filename, attrs: attributes(lstatSync(path.join(listing.folder, filename))) })),
    )
  })
  sftp.on('OPEN', (id, asked, flags) => does(id, () => keep(id, openSync(at(asked), modeOf(flags)))))
  sftp.on('READ', (id, handle, from, length) => {
    const fd = find(handle)
    if (typeof fd !== 'number') return void sftp.status(id, STATUS_CODE.FAILURE)
    does(id, () => {
      const part = Buffer.alloc(Math.min(length, 262_144))
      const read = readSync(fd, part, 0, part.length, from)
      if (read === 0) sftp.status(id, STATUS_CODE.EOF)
      else sftp.data(id, part.subarray(0, read))
    })
  })
  sftp.on('WRITE', (id, handle, from, data) => {
    const fd = find(handle)
    if (typeof fd !== 'number') return void sftp.status(id, STATUS_CODE.FAILURE)
    if (weightOf(root) + data.length > quota) return void sftp.status(id, STATUS_CODE.FAILURE, 'Disk quota exceeded')
    ok(id, () => writeSync(fd, data, 0, data.length, from))
  })
  sftp.on('CLOSE', (id, handle) => {
    const what = find(handle)
    handles.delete(handle.length === 4 ? handle.readUInt32BE() : 0)
    ok(id, () => (typeof what === 'number' ? closeSync(what) : undefined))
  })
  sftp.on('MKDIR', (id, asked) => ok(id, () => mkdirSync(at(asked))))
  sftp.on('RMDIR', (id, asked) => ok(id, () => rmdirSync(at(asked))))
  sftp.on('REMOVE', (id, asked) => ok(id, () => unlinkSync(at(asked))))
  sftp.on('RENAME', (id, from, to) =>
    ok(id, () => {
      // draft-ietf-secsh-filexfer-02, 6.5: it is an error if a file of the new name is there already.
      if (existsSync(at(to))) throw new Error('a file of that name is there')
      renameSync(at(from), at(to))
    }),
  )
  sftp.on('close', () => handles.forEach((what) => (typeof what === 'number' ? closeSync(what) : undefined)))
}

function codeOf(error: unknown): number {
  const code = error instanceof Error && 'code' in error ? error.code : null
  if (code === 'ENOENT') return STATUS_CODE.NO_SUCH_FILE
  return code === 'EACCES' || code === 'EPERM' || code === 'EROFS' ? STATUS_CODE.PERMISSION_DENIED : STATUS_CODE.FAILURE
}

function modeOf(flags: number): string {
  if (!(flags & OPEN_MODE.WRITE)) return 'r'
  return flags & OPEN_MODE.APPEND ? 'a' : flags & OPEN_MODE.TRUNC ? 'w' : 'r+'
}

function attributes({ mode, uid, gid, size, atimeMs, mtimeMs }: ReturnType<typeof statSync> & object): Attributes {
  return {
    mode: Number(mode),
    uid: Number(uid),
    gid: Number(gid),
    size: Number(size),
    atime: Number(atimeMs) / 1000,
    mtime: Number(mtimeMs) / 1000,
  }
}
