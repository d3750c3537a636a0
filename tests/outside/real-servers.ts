import { spawn, type ChildProcess } from 'node:child_process'
import { chmodSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir, userInfo } from 'node:os'
import path from 'node:path'
import ssh2 from 'ssh2'
import { answers, freePort } from '../free-port'
import { fingerprint } from '../../src/server/destinations/sftp/connect'
import type { Signed } from '../../src/standins/client-server/certificate'

/** A program of Debian's that serves on a port of this machine until it is stopped. */
export type RealServer = { readonly port: number; readonly child: ChildProcess; readonly stop: () => void }
export type OpenSsh = RealServer & {
  readonly user: string
  readonly key: string
  readonly keyFile: string
  readonly hostKey: string
  /** Starts it anew, as it was, once it has been ended. */
  readonly again: () => Promise<RealServer>
}

/** OpenSSH's own server (Debian: openssh-server), which lets in whoever runs it, by a key. */
export async function openSsh(): Promise<OpenSsh> {
  const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-sshd-'))
  const file = (name: string, words: string): string => {
    writeFileSync(path.join(folder, name), words, { mode: 0o600 })
    return path.join(folder, name)
  }
  const [host, ours] = [ssh2.utils.generateKeyPairSync('ed25519'), ssh2.utils.generateKeyPairSync('ed25519')]
  const port = await freePort()
  const keyFile = file('key', ours.private)
  const config = file(
    'config',
    [
      `Port ${port}`,
      'ListenAddress 127.0.0.1',
      `HostKey ${file('host', host.private)}`,
      `AuthorizedKeysFile ${file('keys', ours.public)}`,
      'StrictModes no',
      'UsePAM no',
      'PermitRootLogin yes',
      'PidFile none',
      'MaxStartups 100',
      'Subsystem sftp internal-sftp',
      '',
    ].join('\n'),
  )
  if (process.getuid?.() === 0) mkdirSync('/run/sshd', { recursive: true })
  const parsed = ssh2.utils.parseKey(host.public)
  if (parsed instanceof Error) throw parsed
  const again = (): Promise<RealServer> => started('/usr/sbin/sshd', ['-D', '-e', '-f', config], port)
  return { ...(await again()), again, user: userInfo().username, key: ours.private, keyFile, hostKey: fingerprint(parsed.getPublicSSH()) }
}

/** Debian's vsftpd, which takes files of anybody into a folder; with a certificate it offers explicit TLS, and wants its sessions again. */
export async function vsftpd(folder: string, signed?: Signed): Promise<RealServer> {
  const port = await freePort()
  const settings = mkdtempSync(path.join(tmpdir(), 'instant-fit-vsftpd-'))
  const pem = path.join(settings, 'server.pem')
  if (signed) writeFileSync(pem, `${signed.key}\n${signed.cert}\n`, { mode: 0o600 })
  chmodSync(folder, 0o755)
  const config = path.join(settings, 'config')
  const yes = [
    'listen',
    'run_as_launching_user',
    'anonymous_enable',
    'no_anon_password',
    'write_enable',
    'anon_upload_enable',
    'anon_mkdir_write_enable',
    'anon_other_write_enable',
    'allow_writeable_chroot',
    ...(signed ? ['ssl_enable', 'allow_anon_ssl', 'require_ssl_reuse', 'force_anon_data_ssl', 'force_anon_logins_ssl'] : []),
  ].map((name) => `${name}=YES`)
  const others = [
    'listen_address=127.0.0.1',
    `listen_port=${port}`,
    `anon_root=${folder}`,
    'anon_umask=022',
    'secure_chroot_dir=/tmp',
    'seccomp_sandbox=NO',
    'background=NO',
    ...(signed ? [`rsa_cert_file=${pem}`, 'ssl_ciphers=HIGH'] : []),
  ]
  writeFileSync(config, [...yes, ...others, ''].join('\n'))
  if (process.getuid?.() === 0) chmodSync(config, 0o600)
  return started('/usr/sbin/vsftpd', [config], port)
}

/** Ends a program and all that it has started, at once (`kill -9`): some servers have a process for each line, which goes on alone. */
export function killWhole({ pid }: ChildProcess): void {
  const parents = readdirSync('/proc').flatMap((name) => {
    if (!/^\d+$/.test(name)) return []
    try {
      // proc(5): what stands in brackets may have blanks; after it come the state and the parent.
      const [, parent] = readFileSync(`/proc/${name}/stat`, 'utf8').split(') ').at(-1)?.split(' ') ?? []
      return [[Number(name), Number(parent)] as const]
    } catch {
      return []
    }
  })
  const below = (parent: number): readonly number[] => parents.flatMap(([id, of]) => (of === parent ? [id, ...below(id)] : []))
  for (const id of pid === undefined ? [] : [pid, ...below(pid)]) {
    try {
      process.kill(id, 'SIGKILL')
    } catch {
      // It has ended by itself.
    }
  }
}

/** Starts a program and waits until it answers on its port. */
export async function started(
  command: string,
  args: readonly string[],
  port: number,
  env: Readonly<Record<string, string>> = {},
): Promise<RealServer> {
  const child = spawn(command, args, { stdio: ['ignore', 'ignore', 'pipe'], env: { ...process.env, ...env } })
  let said = ''
  child.stderr.on('data', (data: Buffer) => (said += data.toString('utf8')))
  for (const end = Date.now() + 20_000; !(await answers(port));) {
    if (child.exitCode !== null || Date.now() > end) throw new Error(`${command} does not answer: ${said}`)
  }
  return { port, child, stop: () => child.kill('SIGKILL') }
}
